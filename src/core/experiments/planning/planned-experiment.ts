import { localMoneyOf } from '../../money/local-amount.ts';
import { toDecimal } from '../../money/decimal.ts';
import { resolveTarget } from '../../offers/target.ts';
import { inOrder } from '../../ordered.ts';
import type { ArmVersion, Experiment, Policy } from '../../policy/types.ts';
import { addDays } from '../../time/day.ts';
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

/**
 * A plan to begin with: half of the shoppers of a market see a tenth more than the goal that is in force.
 *
 * @param begin offer and goal, with a slash, of the goal that is tried; '' or one that no market has: the first there is
 * @param market where it is tried if it has that goal; else the first market that has
 * @param target that is tried in place of a tenth more
 */
export function firstPlan(
  policy: Policy,
  begin: string,
  market: string,
  from: string,
  target: number | null = null,
): PlanDraft {
  const markets = inOrder(policy.markets).map(([id]) => id);
  const wanted = [market, ...markets].find((id) =>
    goalsIn(policy, id).some(({ key }) => begin === '' || key === begin),
  );
  const plan: PlanDraft = {
    market: wanted ?? markets[0] ?? '',
    goal: begin,
    firstShare: '50',
    arms: [{ share: '50', kind: 'target', target: 1, rewardsOf: '' }],
    measure: 'margin',
    effect: null,
    from,
    weeks: 6,
    guard: true,
  };
  const planned = planAbout(policy, plan, {});
  const [arm] = planned.arms;
  // A target is one of this goal in this market alone.
  const meant = target !== null && arm && planned.goal === begin && planned.market === market;
  return meant ? { ...planned, arms: [{ ...arm, target }] } : planned;
}

/** A plan of another market or goal: amounts are those of it. */
export function planAbout(policy: Policy, plan: PlanDraft, next: { market?: string; goal?: string }): PlanDraft {
  const market = next.market ?? plan.market;
  const goals = goalsIn(policy, market);
  const goal = goals.find(({ key }) => key === (next.goal ?? plan.goal)) ?? goals[0];
  return {
    ...plan,
    market,
    goal: goal?.key ?? '',
    effect: null,
    arms: plan.arms.map(({ share }) => armFor(policy, market, goal, share)),
  };
}

/** Begins with a tenth more than the goal that is in force, and with at least one more. */
export function armFor(policy: Policy, market: string, choice: GoalChoice | undefined, share: string): PlannedArm {
  const [first] = rewardsOfStore(policy);
  const target = choice?.goal.targets[market];
  const now = target ? (resolveTarget(target, localMoneyOf(policy, market)) ?? 0) : 0;
  return { share, kind: 'target', target: Math.max(now + 1, roundly(now * 1.1)), rewardsOf: first?.key ?? '' };
}

/** To two figures. */
export const roundly = (value: number): number => Math.max(1, Number(Math.round(value).toPrecision(2)));

/** No longer than a name may be. */
const named = (text: string): string => text.slice(0, 120);

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
  return { name: named(`rewards of ${source.name}`), version: { kind: 'rewards', rewards: source.rewards } };
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
    name: named(`${choice.name} in ${policy.markets[market]!.name}`),
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
