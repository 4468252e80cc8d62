import { useEffect, useState } from 'react';
import { distributionOf, type Distribution, type ValueCounts } from '../../core/orders/distribution.ts';
import { ordersClient } from '../../client/orders/orders-client.ts';

/** The markets' order distributions: the first one at once, the others as they arrive. */
export function useDistributions(
  markets: readonly string[],
  first: string,
  values: ValueCounts | null,
): ReadonlyMap<string, Distribution> {
  const [loaded, setLoaded] = useState<ReadonlyMap<string, Distribution>>(
    () => new Map(values ? [[first, distributionOf(values)]] : []),
  );
  const next = markets.find((market) => !loaded.has(market));
  useEffect(() => {
    if (next === undefined) return;
    let wanted = true;
    const take = (distribution: Distribution) => wanted && setLoaded((known) => new Map(known).set(next, distribution));
    ordersClient()
      .distribution(next)
      .then(take, () => take(distributionOf({ valueSteps: [], counts: [] })));
    return () => {
      wanted = false;
    };
  }, [next]);
  return loaded;
}
