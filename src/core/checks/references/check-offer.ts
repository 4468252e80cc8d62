import { rewardKindOf } from '../../offers/rewards/registry.ts';
import { meaningOf } from '../../meaning.ts';
import { inOrder } from '../../ordered.ts';
import type { Fault } from '../../policy/fault.ts';
import type { Goal, Offer, Policy } from '../../policy/types.ts';
import { checkAmount, checkAmounts } from '../../money/check-amounts.ts';
import { checkCondition } from './check-condition.ts';
import { checkGoods } from '../../catalogue/check-goods.ts';
import { checkSchedule } from '../../time/check-schedule.ts';

/** Markets, options and qualifiers it names exist; goals ascend in each market; rewards have an amount wherever a goal is. */
export function checkOffer(id: string, offer: Offer, policy: Policy, fault: Fault): void {
  const at = `/offers/${id}`;
  if (offer.archived && offer.on) fault(`${at}/on`, 'must be off: the offer is archived');
  for (const market of Object.keys(offer.markets ?? {}))
    if (!policy.markets[market]) fault(`${at}/markets/${market}`, `there is no market "${market}"`);
  if (offer.schedule) checkSchedule(offer.schedule, `${at}/schedule`, fault);
  if (offer.when) checkCondition(offer.when, policy, `${at}/when`, fault);
  if (offer.nearly && 'amounts' in offer.nearly)
    checkAmounts(offer.nearly.amounts, policy, [], `${at}/nearly/amounts`, fault);
  const before = new Map<string, number>();
  for (const [goalId, goal] of inOrder(offer.goals)) {
    const here = `${at}/goals/${goalId}`;
    if (goal.goods) checkGoods(goal.goods, policy, `${here}/goods`, fault);
    checkTargets(goal, before, policy, `${here}/targets`, fault);
    const inMarkets = marketsOf(goal, offer, policy);
    for (const [rewardId, reward] of Object.entries(goal.rewards))
      rewardKindOf(reward).check(reward, { policy, markets: inMarkets, at: `${here}/rewards/${rewardId}`, fault });
  }
}

/** Markets in which a goal holds: those with a target, or for a code alone every market of the offer. */
function marketsOf(goal: Goal, { markets, unlock }: Offer, policy: Policy): string[] {
  const offered = (id: string) => policy.markets[id] !== undefined && (!markets || markets[id] === true);
  return Object.keys(unlock.by === 'code' ? policy.markets : goal.targets).filter(offered);
}

function checkTargets(goal: Goal, before: Map<string, number>, policy: Policy, at: string, fault: Fault): void {
  const countsMoney = goal.measure.kind === 'countedValue';
  for (const [market, target] of Object.entries(goal.targets)) {
    const pointer = `${at}/${market}`;
    if (!policy.markets[market]) {
      fault(pointer, `there is no market "${market}"`);
      continue;
    }
    if (countsMoney === 'count' in target) {
      fault(
        pointer,
        countsMoney
          ? 'must be an amount of money: the goal counts goods value'
          : 'must be a count: the goal counts pieces or weight',
      );
      continue;
    }
    const amount = 'count' in target ? target.count : checkAmount(target, policy, market, pointer, fault);
    if (amount === null) continue;
    // Goals that count different things do not compare.
    const key = meaningOf([market, goal.measure, goal.goods]);
    if (amount <= (before.get(key) ?? -1)) fault(pointer, 'must be more than the goal before it');
    before.set(key, amount);
  }
}
