import type { Measures } from '../cart/measures.ts';
import type { Cart, Destination } from '../cart/cart.ts';
import type { OfferStanding } from '../offers/standing.ts';
import type { TraceNode } from '../trace/trace.ts';

export interface EvaluationInput {
  cart: Cart;
  destination: Destination;
}

/** An option the shopper may choose. Prices in minor units, with tax. */
export interface OptionPrice {
  optionId: string;
  before: number;
  after: number;
  /** the tax contained in `after` */
  tax: number;
  /** working days */
  estimate: { min: number; max: number };
  /** the offer and goal that set the price after; null when unchanged */
  offerId: string | null;
  goalId: string | null;
}

export interface UnavailableOption {
  optionId: string;
  reason: 'noLineApplies';
}

/** Why there is nothing to choose, if so. */
export type NoOptions = 'noMarket' | 'noZone' | 'nothingToDeliver' | 'zoneWithoutOptions' | 'noneApplies';

export type MessageState = 'progress' | 'reached';

/** Which offer speaks, in which state; the text is rendered separately per place and language. */
export interface LeadMessage {
  offerId: string;
  goalId: string;
  state: MessageState;
  arguments: MessageArguments;
}

/** Values wording may use; amounts in minor units. */
export interface MessageArguments {
  remaining: number;
  goal: number;
  counted: number;
  percent: number;
  items: number;
  /** lowest price after among the options the reward applies to; null when none is offered */
  optionPrice: number | null;
}

export interface Evaluation {
  marketId: string | null;
  zoneId: string | null;
  currency: string | null;
  measures: Measures | null;
  /** offered options in shown order */
  options: OptionPrice[];
  unavailable: UnavailableOption[];
  noOptions: NoOptions | null;
  offers: OfferStanding[];
  lead: LeadMessage | null;
  /** chosen for the shopper at first */
  preselected: string | null;
  /** goods value + price after of the preselected option */
  total: number;
  trace: TraceNode | null;
}
