import type { CompiledSelection } from '../catalogue/goods-selection.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { PercentFraction } from '../money/rounding.ts';
import type { CompiledOption } from '../options/compile-option.ts';
import type { Fault } from '../policy/fault.ts';
import type { Amounts, OptionSelection, Policy, Reward } from '../policy/types.ts';

/** A reward ready to be given in a zone. */
export type CompiledReward = DeliveryReward | GoodsReward | GiftReward;

/** A reward on the price of delivery options. Amounts in minor units. */
export interface DeliveryReward {
  acts: 'onDelivery';
  id: string;
  kind: Reward['kind'];
  options: ReadonlySet<string>;
  coversOwnDelivery: boolean;
  /** only where the price before is at most this */
  cap: number;
  /** whether it makes delivery free whatever the price, so that shoppers may be told so */
  isFree: boolean;
  /** of one that takes the lowest price of other options: which; null: it makes a price of its own */
  priceOf: ReadonlySet<string> | null;
  /** what a price becomes, before it is bounded by nothing and by itself. @param source of `priceOf`, what the lowest costs */
  becomes: (price: number, source: number | null) => number;
  /** what the trace mentions */
  amount: number;
  percent: PercentFraction | null;
  percentDecimal: string;
}

export interface GoodsReward {
  acts: 'onGoods';
  id: string;
  kind: Reward['kind'];
  /** what comes off goods of a value */
  off: (value: number) => number;
  goods: CompiledSelection | null;
}

export interface GiftReward {
  acts: 'asGift';
  id: string;
  kind: Reward['kind'];
  product: string;
  quantity: number;
}

/** A reward as it is put down, without a position in the order. */
export type UnplacedReward<R extends Reward = Reward> = R extends unknown ? Omit<R, 'order'> : never;

/** What a first reward of a kind is made of. */
export interface RewardBeginning {
  /** as the reward before it had them */
  on: OptionSelection;
  coversOwnDelivery: boolean;
  /** about two of the currency's units in each market */
  two: Amounts;
  /** of the catalogue */
  product: string;
}

export interface RewardCheck {
  policy: Policy;
  /** ids of the markets in which the goal has a target */
  markets: readonly string[];
  /** JSON Pointer */
  at: string;
  fault: Fault;
}

/** Fields of the editor that a reward can have. */
export type RewardField = 'price' | 'amount' | 'percent' | 'gift' | 'goods' | 'options' | 'priceOf';

/** All that is known of one kind of reward. */
export interface RewardKindRecord<R extends Reward = Reward> {
  kind: R['kind'];
  /** in the editor's list, where what is chosen stands after it */
  offered: string;
  /** where changes are told */
  changed: string;
  /** where what texts say is told */
  called: string;
  /** which fields edit it, in the order in which they are read */
  fields: readonly RewardField[];
  /** JSON Schema of its members beside `order` and `kind` */
  schema: { required: readonly string[]; properties: Record<string, object> };
  /** what the schema cannot say */
  check(reward: R, check: RewardCheck): void;
  /** null: it reaches nothing in this zone. @param options of the zone, switched-off ones left out */
  compile(id: string, reward: R, terms: MarketTerms, options: readonly CompiledOption[]): CompiledReward | null;
  /** as traces say what it does to a price; `{amountN}` and `{percentN}` are its amounts. @param position N */
  says?(position: number): string;
  begin(from: RewardBeginning): UnplacedReward<R>;
}

export type RewardOf<Kind extends Reward['kind']> = Extract<Reward, { kind: Kind }>;
export type DeliveryRewardNode = Extract<Reward, { on: OptionSelection }>;
