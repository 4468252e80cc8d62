import { useEffect, useMemo, useState } from 'react';
import { distributionOf, type Distribution, type ValueCounts } from '../../core/orders/distribution.ts';
import { call } from '../../client/http.ts';

/** The markets' order distributions: the first one at once, the others as they arrive. */
export function useDistributions(
  markets: readonly string[],
  first: string,
  values: ValueCounts | null,
): ReadonlyMap<string, Distribution> {
  const [loaded, setLoaded] = useState<ReadonlyMap<string, Distribution>>(
    () => new Map(values ? [[first, distributionOf(values)]] : []),
  );
  const missing = useMemo(() => markets.filter((market) => !loaded.has(market)).join(','), [markets, loaded]);
  useEffect(() => {
    const next = missing.split(',')[0];
    if (!next) return;
    let wanted = true;
    void call('GET /api/orders/values', { query: { market: next } }).then((answer) => {
      const counts = answer.ok ? answer.body : { valueSteps: [], counts: [] };
      if (wanted) setLoaded((known) => new Map(known).set(next, distributionOf(counts)));
    });
    return () => {
      wanted = false;
    };
  }, [missing]);
  return loaded;
}
