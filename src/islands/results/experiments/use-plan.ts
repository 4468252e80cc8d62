import { useState } from 'react';
import { toDecimal } from '../../../core/money/decimal.ts';
import { resolveTarget } from '../../../core/offers/target.ts';
import { localMoneyOf } from '../../../core/money/local-amount.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { ArmVersion, Experiment, Policy } from '../../../core/policy/types.ts';
import { addDays, dateOfDay } from '../../../core/time/day.ts';
import { localTime } from '../../../core/time/time-zone-clock.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';
import { goalsIn, rewardsOfStore, type GoalChoice } from './goal-choices.ts';

/** An arm as it is planned, beside the one that sees the goal as it stands. */
export interface PlannedArm {
  share: string;
  kind: 'target' | 'none' | 'rewards';
  /** minor units, pieces or grams */
  target: number;
  /** of which goal of the store the rewards are */
  rewardsOf: string;
}

/** An experiment while it is planned. */
export interface PlanDraft {
  market: string;
  goal: string;
  firstShare: string;
  arms: readonly PlannedArm[];
  measure: Experiment['measure'];
  /** minor units; null: as is usual for this store */
  effect: number | null;
  from: string;
  weeks: number;
  guard: boolean;
}

/** A plan to be changed, begun from an offer’s goal where one is named. @param begin offer and goal, with a slash */
export function usePlan(begin: string, market: string) {
  const policy = usePolicy();
  const today = localTime(policy.store.timeZone, useNow()).day;
  const [plan, setPlan] = useState((): PlanDraft => {
    const markets = inOrder(policy.markets).map(([id]) => id);
    const wanted = [market, ...markets].find((id) =>
      goalsIn(policy, id).some(({ key }) => begin === '' || key === begin),
    );
    const there = wanted ?? markets[0] ?? '';
    const goals = goalsIn(policy, there);
    const goal = goals.find(({ key }) => key === begin) ?? goals[0];
    return {
      market: there,
      goal: goal?.key ?? '',
      firstShare: '50',
      arms: [armFor(policy, there, goal, '50')],
      measure: 'margin',
      effect: null,
      from: dateOfDay(today + 1),
      weeks: 6,
      guard: true,
    };
  });
  const change = (next: Partial<PlanDraft>) => setPlan((before) => ({ ...before, ...next }));
  /** Another market or goal: amounts are those of it. */
  const about = (next: { market?: string; goal?: string }) => {
    const there = next.market ?? plan.market;
    const goals = goalsIn(policy, there);
    const goal = goals.find(({ key }) => key === (next.goal ?? plan.goal)) ?? goals[0];
    change({
      market: there,
      goal: goal?.key ?? '',
      effect: null,
      arms: plan.arms.map(({ share }) => armFor(policy, there, goal, share)),
    });
  };
  return { plan, change, about };
}

/** Begins with a tenth more than the goal that is in force. */
export function armFor(policy: Policy, market: string, choice: GoalChoice | undefined, share: string): PlannedArm {
  const [first] = rewardsOfStore(policy);
  const target = choice?.goal.targets[market];
  const now = target ? (resolveTarget(target, localMoneyOf(policy, market)) ?? 0) : 0;
  return { share, kind: 'target', target: roundly(now * 1.1), rewardsOf: first?.key ?? '' };
}

/** To two figures. */
export const roundly = (value: number): number => Math.max(1, Number(Math.round(value).toPrecision(2)));

/** What an arm’s shoppers see, and what it is called. */
function versionOf(
  policy: Policy,
  market: string,
  choice: GoalChoice,
  arm: PlannedArm,
): { name: string; version: ArmVersion } {
  const counted = choice.goal.measure.kind !== 'countedValue';
  const { currency } = policy.markets[market]!;
  if (arm.kind === 'none') return { name: 'no such goal', version: { kind: 'none' } };
  if (arm.kind === 'target')
    return {
      name: `from ${counted ? arm.target : toDecimal(arm.target, currency)}`,
      version: { kind: 'target', target: counted ? { count: arm.target } : { exact: arm.target } },
    };
  const source = rewardsOfStore(policy).find(({ key }) => key === arm.rewardsOf)!;
  return { name: `rewards of ${source.name}`, version: { kind: 'rewards', rewards: source.rewards } };
}

/** Hundredths of a percent. */
export const sharesOf = ({ firstShare, arms }: PlanDraft): number[] =>
  [firstShare, ...arms.map(({ share }) => share)].map((share) => Math.round(Number(share) * 100));

/** The experiment that a plan comes to. */
export function experimentOf(
  policy: Policy,
  plan: PlanDraft,
  { effect, plannedOrders }: { effect: number; plannedOrders: number },
): Omit<Experiment, 'order'> | null {
  const choice = goalsIn(policy, plan.market).find(({ key }) => key === plan.goal);
  if (!choice) return null;
  const shares = sharesOf(plan);
  const { market } = plan;
  const target = choice.goal.targets[market];
  const now = target ? resolveTarget(target, localMoneyOf(policy, market)) : null;
  const counted = choice.goal.measure.kind !== 'countedValue';
  const written = now === null ? '' : `from ${counted ? now : toDecimal(now, policy.markets[market]!.currency)} `;
  const arms = plan.arms.map((arm, place): [string, Experiment['arms'][string]] => [
    `arm-${place + 2}`,
    { order: place + 2, share: shares[place + 1]!, ...versionOf(policy, market, choice, arm) },
  ]);
  return {
    name: `${choice.name} in ${policy.markets[market]!.name}`.slice(0, 120),
    market,
    offer: choice.offerId,
    goal: choice.goalId,
    arms: {
      'arm-1': { order: 1, name: `${written}as it is`, share: shares[0]!, version: { kind: 'asIs' } },
      ...Object.fromEntries(arms),
    },
    from: plan.from,
    until: addDays(plan.from, plan.weeks * 7 - 1),
    measure: plan.measure,
    smallestEffect: effect,
    plannedOrders,
    guard: plan.guard,
  };
}
