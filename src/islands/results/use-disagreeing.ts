import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Agreement, ListedOrder } from '../../contract/shapes/placed-order.ts';
import { call, type HttpProblem } from '../../client/http.ts';
import type { Disagreement } from './verdict-in-words.ts';

/** Which orders are looked at. */
export interface Looked {
  /** placed from then on, ISO 8601; undefined: all */
  from: string | undefined;
  market: string;
  /** empty: of every kind */
  kind: Disagreement | '';
}

interface Disagreeing {
  agreement: Agreement | null;
  orders: readonly ListedOrder[];
  /** undefined: not asked yet; null: there are no more */
  next: string | null | undefined;
  problem: HttpProblem | null;
}

const nothing: Disagreeing = { agreement: null, orders: [], next: undefined, problem: null };

/** Orders that were charged something else than the rules say, the newest first, and how many there are. */
export function useDisagreeing({ from, market, kind }: Looked): Disagreeing & { more: () => void } {
  const [found, setFound] = useState(nothing);
  const between = useMemo(() => ({ ...(from ? { from } : {}), ...(market ? { market } : {}) }), [from, market]);
  const list = useCallback(
    (after: string | null) =>
      call('GET /api/orders', {
        query: { ...between, verdict: kind || 'disagrees', state: 'standing', ...(after ? { after } : {}) },
      }),
    [between, kind],
  );
  useEffect(() => {
    let here = true;
    void Promise.all([call('GET /api/orders/agreement', { query: between }), list(null)]).then(([counts, listed]) => {
      if (!here) return;
      const refused = [counts, listed].find(({ ok }) => !ok);
      setFound({
        agreement: counts.ok ? counts.body : null,
        orders: listed.ok ? listed.body.orders : [],
        next: listed.ok ? listed.body.next : null,
        problem: refused && !refused.ok ? refused.problem : null,
      });
    });
    return () => {
      here = false;
    };
  }, [between, list]);
  const more = useCallback(() => {
    void list(found.next ?? null).then((listed) => {
      if (!listed.ok) return setFound((before) => ({ ...before, problem: listed.problem }));
      setFound((before) =>
        before.next === found.next
          ? { ...before, orders: [...before.orders, ...listed.body.orders], next: listed.body.next }
          : before,
      );
    });
  }, [list, found.next]);
  return { ...found, more };
}
