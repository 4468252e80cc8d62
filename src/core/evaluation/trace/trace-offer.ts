import type { CompiledGoal } from '../../offers/compile-offer.ts';
import type { DeliveryReward } from '../../offers/reward.ts';
import { rewardKindOf } from '../../offers/rewards/registry.ts';
import type { GoalStanding } from '../../offers/standing.ts';
import type { OfferStatus } from '../../offers/status.ts';
import type { CompiledOption } from '../../options/compile-option.ts';
import { paidFor, type PriceParts } from '../../options/price-before.ts';
import {
  fraction,
  money,
  node,
  setBy,
  number,
  percent,
  text,
  yes,
  type TraceNode,
  type TraceSource,
  type TraceValue,
} from '../../trace/trace.ts';
import type { ZoneContext } from '../context.ts';
import type { OptionPrice } from '../evaluation.ts';
import { traceCondition } from './trace-condition.ts';

const notInForce: Record<Exclude<OfferStatus, 'inForce'>, string> = {
  notYet: 'has not begun',
  over: 'is over',
  notForShopper: 'is not for this shopper',
  usedUp: 'has been used as often as it may be',
  needsCode: 'needs a code that has not been entered',
};

/** An option that is offered, as offers are traced on it. */
interface TracedOption {
  option: CompiledOption;
  before: PriceParts;
  price: OptionPrice;
  /** what upgrades may take */
  sources: ReadonlyMap<string, PriceParts>;
}

/** What an offer does to an option: a node for each goal, with its rewards on that option beneath. */
export function traceOffer(
  rank: number,
  { option, before, price, sources }: TracedOption,
  context: ZoneContext,
): TraceNode[] {
  const offer = context.zone.offers[rank]!;
  const { status, goals } = context.standings[rank]!;
  const name = text(offer.offer.name);
  const source: TraceSource = { kind: 'offer', id: offer.id };
  if (status !== 'inForce') {
    const condition =
      status === 'notForShopper' && offer.when ? [traceCondition(offer.when, context.facts, context.zone.policy)] : [];
    return [
      setBy(
        source,
        node(
          'offer',
          `“{offer}” ${notInForce[status]}`,
          { offer: name, status: text(status) },
          text('changes nothing'),
          condition,
        ),
      ),
    ];
  }
  const active = context.active.find((candidate) => candidate.rank === rank)?.rewards ?? [];
  return goals.map((standing, index) => {
    const goal = offer.goals[index]!;
    const rewards = active.flatMap(({ goalId, reward }) =>
      goalId === goal.id && reward.acts === 'onDelivery' && reward.options.has(option.id) ? [reward] : [],
    );
    const inputs = {
      ...goalInputs(standing, goal),
      offer: name,
      rank: number(rank),
      combines: yes(offer.offer.combines),
    };
    if (!standing.reached) {
      const unit = standing.measure === 'value' ? '' : ` ${unitOf(standing)}`;
      const toGo = standing.remaining === null ? 'no honest remainder can be said' : `{remaining}${unit} to go`;
      const amounts =
        standing.target === null ? 'no code entered' : `{counted} of at least {target}${unitOf(standing)}, ${toGo}`;
      return setBy(source, node('goal', `“{offer}” is not reached: ${amounts}`, inputs, text('not reached')));
    }
    if (rewards.length === 0) {
      const replaced = goal.options.has(option.id)
        ? 'but a higher goal has taken its place'
        : 'but does not apply to this option';
      return setBy(source, node('goal', `“{offer}” is reached, ${replaced}`, inputs, text('does not apply')));
    }
    const decides = price.setBy.some((by) => by.offerId === offer.id && by.goalId === goal.id);
    const by = standing.byCode ? 'by its code' : `{counted} is at least {target}${unitOf(standing)}`;
    const gives = rewards.map((reward, position) => sayReward(reward, before.own > 0, position)).join(' and ');
    const children = rewards.map((reward) => traceReward(reward, option, before, sources));
    return setBy(
      source,
      node(
        'goal',
        `“{offer}” is reached: ${by}, so ${gives}${decides ? '' : ' (it does not lower the price)'}`,
        { ...inputs, ...firstAmounts(rewards) },
        text(decides ? 'sets the price' : 'changes nothing'),
        children,
      ),
    );
  });
}

const unitOf = ({ measure }: GoalStanding): string => {
  if (measure === 'value') return '';
  if (measure === 'items') return ' items';
  return ' g';
};

function goalInputs(
  { measure, target, counted, remaining }: GoalStanding,
  { goal }: CompiledGoal,
): Record<string, TraceValue> {
  const write = (value: number) => (measure === 'value' ? money(value) : number(value));
  return {
    measure: text(measure),
    then: text(goal.then),
    target: write(target ?? 0),
    counted: write(counted),
    remaining: write(remaining ?? 0),
  };
}

/** Amounts that the sentence mentions. */
function firstAmounts(rewards: readonly DeliveryReward[]): Record<string, TraceValue> {
  return Object.fromEntries(
    rewards.flatMap(({ amount, percentDecimal }, index) => [
      [`amount${index}`, money(amount)],
      [`percent${index}`, percent(percentDecimal)],
    ]),
  );
}

function sayReward(reward: DeliveryReward, hasOwn: boolean, position: number): string {
  const says = rewardKindOf(reward).says?.(position) ?? '';
  return `${says}${hasOwn && !reward.coversOwnDelivery ? ' but for goods with an own delivery price' : ''}`;
}

/** A reward with all that it takes to apply it. */
function traceReward(
  reward: DeliveryReward,
  { id: own, cashIncrement }: CompiledOption,
  before: PriceParts,
  sources: ReadonlyMap<string, PriceParts>,
): TraceNode {
  const source = [...sources]
    .filter(([id]) => reward.priceOf?.has(id) && id !== own)
    .sort(([, a], [, b]) => a.base + a.own - b.base - b.own)[0];
  const applies = paidFor(before, cashIncrement) <= reward.cap && (reward.priceOf === null || source !== undefined);
  const inputs: Record<string, TraceValue> = {
    kind: text(reward.kind),
    applies: yes(applies),
    coversOwnDelivery: yes(reward.coversOwnDelivery),
    amount: money(reward.amount),
    before: money(paidFor(before, cashIncrement)),
    ...(reward.cap === Infinity ? {} : { cap: money(reward.cap) }),
    ...(reward.percent ? fraction(reward.percent) : {}),
    ...(source ? { source: text(source[0]), sourceBase: money(source[1].base), sourceOwn: money(source[1].own) } : {}),
  };
  const covers = reward.coversOwnDelivery ? 'It covers own delivery prices too' : 'It is on the charge only';
  const hindered =
    reward.priceOf !== null && source === undefined
      ? 'No slower option is offered'
      : 'The price before of {before} is more than {cap}';
  const says = applies ? covers : `${hindered}, so it does not apply`;
  return node('reward', says, inputs, text(applies ? 'applies' : 'does not apply'));
}
