import { inOrder } from '../ordered.ts';
import { longestAnswer } from '../options/questions/question-kind.ts';
import type { DeliveryOption, Question } from '../policy/types.ts';
import { textIn } from '../wording/text-in.ts';

/** A question as a shop asks it, in the shopper's language. */
export interface QuotedQuestion {
  key: string;
  kind: Question['kind'];
  label: string;
  required: boolean;
  /** letters of the longest answer */
  longest: number;
  /** of a question that offers some: what is answered, and what is read; null: anything may be written */
  choices: { key: string; label: string }[] | null;
}

/** What an option asks, in its order; a label that is written in no language is its key. */
export function quotedQuestions(
  { questions }: Pick<DeliveryOption, 'questions'>,
  language: string,
  languages: readonly string[],
): QuotedQuestion[] {
  if (!questions) return [];
  const label = (key: string, { label: texts }: Pick<Question, 'label'>) => textIn(texts, language, languages) ?? key;
  return inOrder(questions).map(([key, question]) => ({
    key,
    kind: question.kind,
    label: label(key, question),
    required: question.required,
    longest: question.longest ?? longestAnswer,
    choices:
      question.kind === 'choice'
        ? inOrder(question.choices).map(([id, one]) => ({ key: id, label: label(id, one) }))
        : null,
  }));
}
