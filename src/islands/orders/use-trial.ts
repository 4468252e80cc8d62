import { useRef, useState } from 'react';
import type { SetQuery } from '../page/use-query.ts';
import { amountsIn } from './order-choice.ts';

/**
 * Goals on trial: what the address says, and what is being dragged or typed until it is let go.
 *
 * @param of where the address has them @param best to begin with
 */
export function useTrial(of: 'goals' | 'pieces', best: number, query: Record<string, string>, setQuery: SetQuery) {
  const [dragged, setDragged] = useState<number[] | null>(null);
  const trial = dragged ?? goalsIn(query[of]) ?? [best];
  // A drag goes on between two drawings.
  const latest = useRef(trial);
  latest.current = trial;
  const setGoals = (next: readonly number[]) => {
    setDragged(null);
    setQuery({ [of]: next.join(',') });
  };
  return {
    trial,
    move: (index: number, value: number) => {
      const next = [...latest.current];
      // The second stays above the first.
      next[index] = index === 0 ? Math.min(value, (next[1] ?? Infinity) - 1) : Math.max(value, next[0]! + 1);
      latest.current = next;
      setDragged(next);
    },
    /** what was moved and not committed goes back */
    letGo: () => setDragged(null),
    setGoals,
    commit: () => setGoals(latest.current),
  };
}

function goalsIn(text: string | undefined): number[] | null {
  const goals = amountsIn(text)
    .filter((goal) => goal > 0)
    .slice(0, 2);
  return goals.length > 0 ? goals : null;
}
