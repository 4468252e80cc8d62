import { amountIn, type MarketTerms } from '../../markets/terms.ts';
import { percentAsFraction } from '../../money/rounding.ts';
import { selectsOption, type CompiledOption } from '../../options/compile-option.ts';
import { checkAmounts } from '../../money/check-amounts.ts';
import { checkSelection } from '../../options/check-selection.ts';
import type { OptionSelection, Reward } from '../../policy/types.ts';
import type { CompiledReward, DeliveryReward, DeliveryRewardNode, RewardKindRecord } from '../reward.ts';

/** Members that all rewards on delivery have, in the schema. */
const members = {
  on: { $ref: '#/$defs/optionSelection' },
  coversOwnDelivery: {
    description: 'whether what goods with an own delivery price add is waived too',
    type: 'boolean',
  },
  cap: { description: 'only where the price before is at most this', $ref: '#/$defs/amounts' },
};

/** What a kind of reward on delivery is made of beside what all have. */
interface OnDelivery<R extends DeliveryRewardNode> extends Pick<
  RewardKindRecord<R>,
  'kind' | 'offered' | 'changed' | 'called' | 'fields' | 'begin'
> {
  /** its own members in the schema, all of them required */
  own?: Record<string, object>;
  check?: RewardKindRecord<R>['check'];
  /** null: an amount that it needs is not stated in this market, so it is not offered there */
  prices(
    reward: R,
    terms: MarketTerms,
    chosen: (on: OptionSelection) => ReadonlySet<string>,
  ):
    | (Pick<DeliveryReward, 'becomes'> &
        Partial<Pick<DeliveryReward, 'amount' | 'percent' | 'percentDecimal' | 'isFree' | 'priceOf'>>)
    | null;
  says(position: number): string;
}

/** A kind of reward that changes what delivery options cost. */
export function onDelivery<R extends DeliveryRewardNode>({
  own = {},
  check,
  prices,
  ...rest
}: OnDelivery<R>): RewardKindRecord<R> {
  return {
    ...rest,
    schema: { required: ['on', 'coversOwnDelivery', ...Object.keys(own)], properties: { ...members, ...own } },
    check: (reward, context) => {
      const { policy, at, fault } = context;
      checkSelection(reward.on, policy, `${at}/on`, fault);
      if (reward.cap) checkAmounts(reward.cap, policy, [], `${at}/cap`, fault);
      check?.(reward, context);
    },
    compile: (id, reward, terms, options) => compile(id, reward, terms, options, prices),
  };
}

function compile<R extends DeliveryRewardNode>(
  id: string,
  reward: R,
  terms: MarketTerms,
  options: readonly CompiledOption[],
  prices: OnDelivery<R>['prices'],
): CompiledReward | null {
  const chosen = (on: OptionSelection) =>
    new Set(options.filter((option) => selectsOption(on, option)).map((option) => option.id));
  const own = prices(reward, terms, chosen);
  // A market without a cap of its own has none.
  const cap = reward.cap?.[terms.id] ? amountIn(reward.cap, terms) : Infinity;
  const on = chosen(reward.on);
  if (own === null || cap === null || on.size === 0) return null;
  return {
    acts: 'onDelivery',
    id,
    kind: reward.kind as Reward['kind'],
    options: on,
    coversOwnDelivery: reward.coversOwnDelivery,
    cap,
    isFree: false,
    priceOf: null,
    amount: 0,
    percent: null,
    percentDecimal: '0',
    ...own,
  };
}

/** A percentage as it is computed with and as it is written. */
export const percentOfReward = (decimal: string) => ({ percent: percentAsFraction(decimal), percentDecimal: decimal });
