import type { Cart } from '../cart/cart.ts';
import type { MeasuredCart, Measures } from '../cart/measures.ts';
import type { SetBy } from '../offers/delivery-rewards.ts';
import type { Gift, GoodsRewarded } from '../offers/goods-rewards.ts';
import type { OfferStanding } from '../offers/standing.ts';
import type { Unavailability } from '../options/price-before.ts';
import type { AreaPartKind } from '../geography/area.ts';
import type { Destination, EarlierChoice, Quotes, Redemptions, Shopper } from '../policy/types.ts';
import type { Estimate } from '../time/estimate.ts';
import type { TraceNode } from '../trace/trace.ts';
import type { RewardKind } from '../offers/reward-kinds.ts';

/** Who buys what, where it goes and when. */
export interface EvaluationInput {
  cart: Cart;
  /** a guest of whom nothing is known when absent */
  shopper?: Shopper;
  destination: Destination;
  /** ms since 1970-01-01T00:00Z */
  instant: number;
  /** id of the market, when it was chosen instead of found by the destination's country */
  market?: string;
  /** what carriers quote for this cart; a carrier it does not name gives no answer */
  quotes?: Quotes;
  /** how often the shop has recorded offers as used */
  redemptions?: Redemptions;
  /** the option the shopper chose before */
  earlier?: EarlierChoice;
}

/** An option the shopper may choose. Prices in minor units, with or without tax as the market shows them. */
export interface OptionPrice {
  optionId: string;
  before: number;
  after: number;
  /** the tax contained in `after`, or added to it where the market shows prices without */
  tax: number;
  estimate: Estimate;
  /** the offers and goals that set the price after, in the order in which they did; none when unchanged */
  setBy: readonly SetBy[];
}

interface UnavailableOption {
  optionId: string;
  reason: Unavailability;
  /** whether shoppers are shown that it exists, with a wording */
  shown: boolean;
}

/** Why there is nothing to choose, if so. */
export type NoOptions =
  'noMarket' | 'noZone' | 'goodsBarred' | 'nothingToDeliver' | 'zoneWithoutOptions' | 'noneApplies';

/** What became of an earlier choice. Prices in minor units. */
export type EarlierOutcome =
  | { optionId: string; still: 'same' | 'cheaper' | 'dearer'; was: number; now: number }
  | { optionId: string; still: 'gone'; was: number; because: Unavailability | NoOptions | 'notInZone' };

/**
 * Where the shopper stands toward an offer: nothing counted yet; on the way; nearly there; all goals reached; one
 * reached and the next ahead; or not for this shopper.
 */
export type OfferState = 'invite' | 'progress' | 'nearly' | 'reached' | 'onward' | 'missedOut';

/** The same, or a notice, which has no goal to stand toward. */
export type MessageState = OfferState | 'notice';

/** Which offer or notice speaks, in which state; the text is rendered separately per place and language. */
export interface LeadMessage {
  speakerId: string;
  /** null: a notice speaks */
  goalId: string | null;
  state: MessageState;
  /** whether something is free by it: delivery by some option, or a gift; no text that says free is read otherwise */
  free: boolean;
  arguments: MessageArguments;
}

/** Values wording may use; amounts in minor units. */
export interface MessageArguments {
  /** what the goal counts: amounts of money, pieces or grams */
  measure: 'value' | 'items' | 'weight';
  remaining: number;
  goal: number;
  counted: number;
  percent: number;
  items: number;
  /** lowest price after among the options the reward applies to; null when none is offered */
  optionPrice: number | null;
  /** what the goal gives first */
  reward: RewardKind;
  /** the first minute after the offer, or the moment that a notice counts down to; ms since 1970-01-01T00:00Z; null: neither */
  deadline: number | null;
  /** from when a notice counts down to the deadline, the same; null: it does not count down */
  countedFrom: number | null;
  /** when the option is there whose cut-off a notice counts down to */
  arrives: Estimate | null;
  /** the code that the shopper has entered for it, else its only one */
  code: string | null;
}

/** What the order comes to with the preselected option, minor units. */
export interface Totals {
  /** goods after discounts, as shown */
  goods: number;
  /** what offers take off the goods */
  goodsReward: number;
  delivery: number;
  /** on goods and delivery: contained in the above where prices are shown with tax, else added */
  tax: number;
  toPay: number;
}

export interface Evaluation {
  marketId: string | null;
  zoneId: string | null;
  /** the kind of area by which the zone was found; null when it was not looked for */
  zoneBy: AreaPartKind | null;
  currency: string | null;
  measures: Measures | null;
  /** the cart as it was measured */
  cart: MeasuredCart | null;
  /** offered options in shown order */
  options: OptionPrice[];
  unavailable: UnavailableOption[];
  noOptions: NoOptions | null;
  offers: OfferStanding[];
  /** what offers take off the goods, and which did */
  goodsRewarded: GoodsRewarded;
  gifts: readonly Gift[];
  /** whoever may speak, in the order in which they are asked: in each place and language the first with a text there leads */
  speakers: readonly LeadMessage[];
  /** the first of them */
  lead: LeadMessage | null;
  /** the earlier choice where it is still offered, else what is chosen for the shopper at first */
  preselected: string | null;
  earlier: EarlierOutcome | null;
  totals: Totals | null;
  trace: TraceNode | null;
}
