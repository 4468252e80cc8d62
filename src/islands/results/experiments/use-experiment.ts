import { useMemo } from 'react';
import { ordersClient } from '../../../client/orders/orders-client.ts';
import type { Pace } from '../../../core/experiments/planning/pace.ts';
import { experimentQuestion } from '../../../core/experiments/question.ts';
import type { ExperimentStudy } from '../../../core/experiments/study-experiment.ts';
import type { Experiment } from '../../../core/policy/types.ts';
import { usualAssumption } from '../../../core/orders/response.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useAnswer } from '../study/use-change.ts';

/** What the orders of an experiment say; null until they have been looked through, or where its market is gone. */
export function useExperimentStudy(
  id: string,
  experiment: Experiment,
): { study: ExperimentStudy | null; problem: string | null } {
  const policy = usePolicy();
  const { market } = experiment;
  const question = useMemo(() => experimentQuestion(policy, id, experiment), [policy, id, experiment]);
  const key = policy.markets[market] ? JSON.stringify([market, question]) : null;
  const { answer, problem } = useAnswer(key, () => ordersClient().experiment(market, question));
  return { study: answer, problem };
}

/** How a market sells; null until it is known, or where it has sold for less than a week. */
export function usePace(market: string): { pace: Pace | null; known: boolean; problem: string | null } {
  const policy = usePolicy();
  const margin = Number((policy.assumptions?.[market] ?? usualAssumption).margin) / 100;
  const { answer, problem } = useAnswer(JSON.stringify(['pace', market, margin]), async () => ({
    pace: await ordersClient().pace(market, margin),
  }));
  return { pace: answer?.pace ?? null, known: answer !== null, problem };
}
