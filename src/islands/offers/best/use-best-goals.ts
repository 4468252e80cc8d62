import { useEffect, useMemo, useRef, useState } from 'react';
import type { BestFound } from '../../../client/orders/held-orders.ts';
import { ordersClient } from '../../../client/orders/orders-client.ts';
import { goalToWeigh, type AskedGoal, type NothingToWeigh } from '../../../core/goal-moves/asked-goals.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Policy } from '../../../core/policy/types.ts';
import type { DatedStep } from '../../../core/results/changes-of-market.ts';

/** More answers than that are not kept; far more than a store has markets. */
const mostKept = 500;

/** What is known of a market’s goal so far. */
export interface BestOfMarket {
  market: string;
  asked: AskedGoal | NothingToWeigh;
  /** null: being worked out */
  found: BestFound | { problem: string } | null;
}

/** Weighs the goals of all markets, each anew when what it is weighed with changes. @param offerId that is looked at */
export function useBestGoals(
  draft: Policy,
  release: Policy | null,
  steps: readonly DatedStep[],
  offerId: string | undefined,
): BestOfMarket[] {
  const [found, setFound] = useState<ReadonlyMap<string, BestFound | { problem: string }>>(new Map());
  const questions = useMemo(
    () =>
      inOrder(draft.markets).map(([market]) => {
        const asked = goalToWeigh({ draft, release, steps }, market, offerId);
        const question =
          typeof asked === 'string'
            ? null
            : { goal: asked.over, present: asked.present, assumption: draft.assumptions?.[market] };
        return { market, asked, question, key: JSON.stringify([market, question]) };
      }),
    [draft, release, steps, offerId],
  );
  const asking = useRef(new Set<string>());
  useEffect(() => {
    for (const { market, question, key } of questions) {
      if (!question || asking.current.has(key)) continue;
      asking.current.add(key);
      ordersClient()
        .bestGoal(market, question)
        .catch((error: unknown) => ({ problem: error instanceof Error ? error.message : String(error) }))
        .then((answer) => {
          setFound((before) => {
            const next = new Map([...before, [key, answer] as const]);
            // What was answered longest ago is asked for again, should it be wanted.
            const [oldest] = next.keys();
            if (next.size > mostKept && oldest !== undefined) {
              next.delete(oldest);
              asking.current.delete(oldest);
            }
            return next;
          });
        });
    }
  }, [questions]);
  return questions.map(({ market, asked, key }) => ({ market, asked, found: found.get(key) ?? null }));
}
