import { orderValueGoals } from '../offers/order-value-goals.ts';
import { usualAssumption } from '../orders/response.ts';
import { inOrder } from '../ordered.ts';
import type { Experiment, Policy } from '../policy/types.ts';
import { dayNumber } from '../time/day.ts';
import { lastDayOf } from './compile-experiments.ts';
import { policyOfArm } from './policy-of-arm.ts';
import type { ExperimentQuestion } from './study-experiment.ts';
import { whyNothing } from './subject.ts';

/** What is asked of the orders of an experiment’s market. */
export function experimentQuestion(policy: Policy, id: string, experiment: Experiment): ExperimentQuestion {
  const { market, arms, from, measure, plannedOrders } = experiment;
  const tried = whyNothing(policy, experiment) === null;
  return {
    experiment: id,
    arms: inOrder(arms).map(([arm]) => ({ id: arm, goal: tried ? goalOfArm(policy, experiment, arm) : null })),
    days: { from: dayNumber(from)!, to: dayNumber(lastDayOf(experiment))! + 1 },
    margin: Number((policy.assumptions?.[market] ?? usualAssumption).margin) / 100,
    measure,
    tightest: plannedOrders,
  };
}

/** What an order of an arm has to be worth, minor units; null: nothing can be told of that. */
function goalOfArm(policy: Policy, experiment: Experiment, arm: string): number | null {
  const goals = orderValueGoals(policyOfArm(policy, experiment, arm), experiment.market);
  const { offer, goal } = experiment;
  return goals.find(({ offerId, goalId }) => offerId === offer && goalId === goal)?.value ?? null;
}
