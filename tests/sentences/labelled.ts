/**
 * A sentence as a shop may write it, and what it states of delivery: `goal 75 EUR` (free from so much), `price 4.95 EUR`, `range 4.95-9.95 EUR`,
 * `perKilo 2.50 EUR`, `free` (whatever is ordered), `until 2026-12-31` (`--12-31` where no year is said). No label: nothing.
 */
export type Labelled = readonly [text: string, ...labels: string[]];

/** What sentences are about; `other` are those that look like it and state nothing of delivery. */
export type SentenceKind = 'goal' | 'price' | 'range' | 'perKilo' | 'free' | 'both' | 'date' | 'other';

export type Sentences = Readonly<Record<SentenceKind, readonly Labelled[]>>;
