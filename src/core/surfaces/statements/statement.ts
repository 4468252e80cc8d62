/** A part of a text, in UTF-16 units from its beginning; the end is no part of it. */
export interface Span {
  start: number;
  end: number;
}

/** An amount as it is written, minor units of a currency. */
export interface WrittenAmount extends Span {
  minor: number;
  currency: string;
}

/** A day as it is written; null where no year is said. */
export interface WrittenDay extends Span {
  year: number | null;
  month: number;
  day: number;
}

/**
 * What a text states of delivery: free from so much on, a price, prices from one to another, a price for each kilogram, free
 * whatever is ordered, or until when what the sentence says holds. The span is that of the words that say it.
 */
export type Statement = Span &
  (
    | { kind: 'goal' | 'price' | 'perKilo'; amount: WrittenAmount }
    | { kind: 'range'; from: WrittenAmount; to: WrittenAmount }
    | { kind: 'free' }
    | { kind: 'until'; date: WrittenDay }
  );

export type StatementKind = Statement['kind'];
