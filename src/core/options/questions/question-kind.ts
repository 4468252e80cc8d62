import type { Question } from '../../policy/types.ts';

/** Why an answer cannot stand. */
export type AnswerFault = 'missing' | 'tooLong' | 'notATelephone' | 'notOffered' | 'notAsked';

/** All that is known of one kind of question that an option asks its shopper. */
export interface QuestionKindRecord {
  kind: Question['kind'];
  /** one of them, in a sentence */
  called: string;
  /** JSON Schema of its members beside those that all questions have */
  schema: { required: readonly string[]; properties: Record<string, object> };
  /** members that one of this kind begins with, beside those that all have */
  begin: () => object;
  /** what is wrong with an answer that is there and not too long; null: nothing */
  fault: (answer: string, question: Question) => AnswerFault | null;
}

/** A line of text cannot hold more; a question may ask for less. */
export const longestAnswer = 500;
