import type { MarketTerms } from '../../markets/terms.ts';
import type { Fault } from '../../policy/fault.ts';
import type { ChargeLine, LocalAmount } from '../../policy/types.ts';
import type { TraceValue } from '../../trace/trace.ts';
import type { ChargeInput, DecisionPath } from '../charge-input.ts';
import type { ChargeMeasure } from '../../cart/charge-measure.ts';
import type { Weighing } from '../weighing.ts';

export type LinePrice = ChargeLine['price'];

/** Half-open range [from, to) of a measure. */
export interface CompiledRange {
  measure: ChargeMeasure;
  from: number;
  to: number;
}

/** Amounts of a measure at which a price jumps. */
export interface ChargeEdges {
  measure: ChargeMeasure;
  edges: number[];
  /** it rises with the measure between them, too */
  rises: boolean;
}

/** A line's price ready to be computed, amounts in minor units. */
export interface CompiledPrice {
  kind: string;
  /** of a price that waits for a carrier: which, and what becomes of its quote; null: it comes about whatever carriers say */
  quoted: {
    carrier: string;
    /** @param quote null: the carrier is silent. @returns null: the line does not apply then */
    priceOf: (quote: number | null) => number | null;
  } | null;
  /** @returns null: the line does not apply */
  priceOf: (input: ChargeInput, weighing: Weighing, path: DecisionPath) => number | null;
  /** where it jumps along the measure that it is computed from; null: along none. @param range of its line */
  edges: (range: CompiledRange | null) => ChargeEdges | null;
  /** what it is made of, as traces say it; adds what the sentence mentions to `inputs` */
  says: (input: ChargeInput, weighing: Weighing, inputs: Record<string, TraceValue>) => string;
}

/** What amounts and counts are said with. */
export interface PriceWords {
  /** an amount of the market */
  amount: (amount: LocalAmount) => string;
  /** minor units of the market's currency */
  money: (minor: number) => string;
}

/** One thing that stands in the editor's sentence of a price: words, or a field at a path within the price. */
export type PricePart =
  | string
  | { field: 'amount'; at: string[]; name: string; value: LocalAmount | undefined; empty?: string; testId?: string }
  | { field: 'percent' | 'name'; at: string[]; name: string; value: string }
  | { field: 'count'; at: string[]; name: string; value: number; measure: ChargeMeasure }
  | { field: 'choice'; at: string[]; name: string; value: string; choices: readonly PriceChoice[] }
  | { field: 'add'; at: string[]; name: string; value: unknown }
  | { field: 'remove'; at: string[]; name: string };

/** A choice: how it is known, its words, and what is put down for it. */
export type PriceChoice = readonly [id: string, words: string, value: unknown];

/** Where a price is edited. */
export interface PriceSetting {
  /** of the market */
  currency: string;
  over: ChargeLine['over'];
  /** beyond the usual kinds of charge: everything can be set */
  free: boolean;
}

/** All that is known of one kind of price that a line of a charge can have. */
export interface PriceKindRecord<P extends LinePrice = LinePrice> {
  kind: string;
  /** the member that prices of this kind have and no others */
  member: string;
  /** of its part of the schema */
  definition: string;
  schema: { description?: string; required: readonly string[]; properties: Record<string, object> };
  /** in the editor's list of lines to add */
  offered: string;
  begin: () => P;
  /** its sentence in the editor */
  parts: (price: P, setting: PriceSetting) => PricePart[];
  inWords: (price: P, words: PriceWords) => string;
  /** what the schema cannot say. @param amount checks an amount and gives its minor units, null where there are none */
  check: (price: P, amount: (local: LocalAmount, pointer: string) => number | null, at: string, fault: Fault) => void;
  /** the carrier that it waits for; null: for none */
  carrierOf: (price: P) => string | null;
  /** whether it comes about even if carriers are silent */
  isCertain: (price: P) => boolean;
  /** the price that a charge of another kind begins at; null: it has none to begin at */
  startOf: (price: P) => LocalAmount | null;
  /** @param minor gives minor units and notes amounts that there are none of: the line never applies then */
  compile: (
    price: P,
    range: CompiledRange | null,
    terms: MarketTerms,
    minor: (amount: LocalAmount) => number,
  ) => CompiledPrice;
}
