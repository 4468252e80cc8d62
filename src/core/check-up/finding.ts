import type { Operation } from 'rfc6902';
import type { TestCart } from '../policy/types.ts';

/**
 * How bad it is (2-domain §9). Wrong: shoppers get something that contradicts the policy, or cannot check out. Risky: right
 * today, easily wrong. A remark: worth knowing.
 */
export type Severity = 'wrong' | 'risky' | 'remark';

export type FindingStop = 'markets' | 'delivery' | 'offers' | 'wording';

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

/** Something that the check-up has to say. */
export interface Finding extends Found {
  /** kind and place: the same as long as it speaks of the same */
  id: string;
  kind: string;
  stop: FindingStop;
}
