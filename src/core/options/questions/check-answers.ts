import { inOrder } from '../../ordered.ts';
import type { DeliveryOption, Question } from '../../policy/types.ts';
import { longestAnswer, type AnswerFault } from './question-kind.ts';
import { questionKindOf } from './registry.ts';

/** Answers to an option's questions, by key. */
export type Answers = Readonly<Record<string, string>>;

export interface FaultOfAnswer {
  question: string;
  fault: AnswerFault;
}

/** What is wrong with one answer; null: nothing. Blanks around it do not count. */
export function faultOf(question: Question, answer: string | undefined): AnswerFault | null {
  const said = answer?.trim() ?? '';
  if (said === '') return question.required ? 'missing' : null;
  // People count letters, not the halves that some of them are kept in.
  if ([...said].length > (question.longest ?? longestAnswer)) return 'tooLong';
  return questionKindOf(question).fault(said, question);
}

/** What is wrong with the answers to an option's questions, in their order; then answers to what nobody asks. */
export function faultsOfAnswers(
  { questions = {} }: Pick<DeliveryOption, 'questions'>,
  answers: Answers,
): FaultOfAnswer[] {
  const wrong = inOrder(questions).flatMap(([key, question]) => {
    const fault = faultOf(question, Object.hasOwn(answers, key) ? answers[key] : undefined);
    return fault ? [{ question: key, fault }] : [];
  });
  const unasked = Object.keys(answers).filter((key) => !Object.hasOwn(questions, key));
  return [...wrong, ...unasked.map((question) => ({ question, fault: 'notAsked' as const }))];
}

/** For whoever builds the shop; its shoppers read it in the shop's own words. */
export const faultInWords: Readonly<Record<AnswerFault, string>> = {
  missing: 'needs an answer',
  tooLong: 'is longer than may be answered',
  notATelephone: 'is not a telephone number',
  notOffered: 'is none of the choices',
  notAsked: 'is not asked by this option',
};
