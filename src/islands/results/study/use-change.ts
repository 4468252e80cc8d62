import { useEffect, useMemo, useState } from 'react';
import { ordersClient } from '../../../client/orders/orders-client.ts';
import type { OtherMarket } from '../../../core/results/asked/asking.ts';
import type { FigureId } from '../../../core/results/figures/registry.ts';
import type { Window } from '../../../core/results/matched-weeks.ts';
import type { SeriesPoint } from '../../../core/results/series.ts';
import type { ChangeQuestion, ChangeStudy, MarketPanels } from '../../../core/results/study-change.ts';

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** What is asked of a worker, its answer, and what went wrong; an answer to something else is none. */
export function useAnswer<T>(key: string | null, ask: () => Promise<T>): { answer: T | null; problem: string | null } {
  const [state, setState] = useState<{ key: string; answer: T | null; problem: string | null } | null>(null);
  useEffect(() => {
    if (key === null) return;
    let wanted = true;
    ask().then(
      (answer) => wanted && setState({ key, answer, problem: null }),
      (error: unknown) => wanted && setState({ key, answer: null, problem: messageOf(error) }),
    );
    return () => {
      wanted = false;
    };
    // The key says all that the question depends on.
  }, [key]);
  return state && state.key === key ? state : { answer: null, problem: null };
}

/** A market’s orders before and after a change; null until they have been looked through. */
export function useChangeStudy(
  market: string,
  question: ChangeQuestion | null,
): { study: ChangeStudy | null; problem: string | null } {
  const key = question && JSON.stringify([market, question]);
  const { answer, problem } = useAnswer(key, () => ordersClient().change(market, question!));
  return { study: answer, problem };
}

/** The figures of other markets; null until all are there. */
export function usePanels(others: readonly OtherMarket[] | null): {
  panels: { market: string; panels: MarketPanels }[] | null;
  problem: string | null;
} {
  const key = useMemo(() => others && JSON.stringify(others), [others]);
  const { answer, problem } = useAnswer(key, () =>
    Promise.all(
      others!.map(async ({ market, question }) => ({ market, panels: await ordersClient().panels(market, question) })),
    ),
  );
  return { panels: answer, problem };
}

/** A figure over time; null until it is there. */
export function useSeries(
  market: string,
  question: ChangeQuestion,
  drawn: { figure: FigureId; days: Window; step: 'day' | 'week' },
): SeriesPoint[] | null {
  const key = JSON.stringify([market, question, drawn]);
  return useAnswer(key, () => ordersClient().series(market, question, drawn)).answer;
}
