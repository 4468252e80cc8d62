import { useCallback, useEffect, useState } from 'react';
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
  const ask = useCallback(
    async (after: string | null) => {
      const between = { ...(from ? { from } : {}), ...(market ? { market } : {}) };
      const query = {
        ...between,
        verdict: kind || 'disagrees',
        state: 'standing',
        ...(after ? { after } : {}),
      } as const;
      const [counts, list] = await Promise.all([
        call('GET /api/orders/agreement', { query: between }),
        call('GET /api/orders', { query }),
      ]);
      return { counts, list };
    },
    [from, market, kind],
  );
  useEffect(() => {
    let here = true;
    void ask(null).then(({ counts, list }) => {
      if (!here) return;
      const refused = [counts, list].find(({ ok }) => !ok);
      setFound({
        agreement: counts.ok ? counts.body : null,
        orders: list.ok ? list.body.orders : [],
        next: list.ok ? list.body.next : null,
        problem: refused && !refused.ok ? refused.problem : null,
      });
    });
    return () => {
      here = false;
    };
  }, [ask]);
  const more = useCallback(() => {
    void ask(found.next ?? null).then(({ list }) => {
      if (!list.ok) return setFound((before) => ({ ...before, problem: list.problem }));
      setFound((before) =>
        before.next === found.next
          ? { ...before, orders: [...before.orders, ...list.body.orders], next: list.body.next }
          : before,
      );
    });
  }, [ask, found.next]);
  return { ...found, more };
}
