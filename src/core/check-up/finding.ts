import type { Operation } from 'rfc6902';
import type { TestCart } from '../policy/types.ts';

/**
 * How bad it is (2-domain §9). Wrong: shoppers get something that contradicts the policy, or cannot check out. Risky: right
 * today, easily wrong. A remark: worth knowing.
 */
export type Severity = 'wrong' | 'risky' | 'remark';

export type FindingStop = 'orders' | 'markets' | 'delivery' | 'offers' | 'wording' | 'rehearse' | 'release' | 'results';

/** What a kind has to say about one place. */
export interface Found {
  severity: Severity;
  /** JSON Pointer into the policy, of what it speaks of; `/products/ID` of a product */
  at: string;
  /** tells findings of one kind at one place apart */
  key?: string;
  /** the market it is about; null: of several, or of none */
  marketId: string | null;
  /** one sentence, amounts in it */
  sentence: string;
  /** a cart whose evaluation shows what the sentence says; null: none shows it */
  example: TestCart | null;
  /** what mends it, where that is mechanical */
  remedy: Remedy | null;
}

export interface Remedy {
  /** in the imperative: “Remove the line” */
  says: string;
  patch: Operation[];
}

/** What a kind could not look at. */
export interface Unexamined {
  at: string;
  /** why, as a sentence */
  because: string;
}

/** The same, of all kinds. */
export interface NotExamined extends Unexamined {
  kind: string;
  stop: FindingStop;
}

/** Something that the check-up has to say. */
export interface Finding extends Found {
  /** kind and place: the same as long as it speaks of the same */
  id: string;
  kind: string;
  stop: FindingStop;
  /** why it is put up with, for as long as it says the same; null: it is not */
  accepted: string | null;
  /** it cannot be accepted */
  firm: boolean;
}

/** All that a check-up comes to. */
export interface CheckedUp {
  /** the worst first, then along the trail */
  findings: Finding[];
  notExamined: NotExamined[];
}
