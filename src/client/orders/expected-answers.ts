import type { ChangeQuestion } from '../../core/results/study-change.ts';

/** A question of a page of results as answers to it are found by. */
export type QuestionKey = `${'change' | 'panels'} ${string}`;

export const keyOf = (asked: 'change' | 'panels', market: string, question: ChangeQuestion): QuestionKey =>
  `${asked} ${JSON.stringify([market, question])}`;

/** An answer as the worker hands it over before anybody has asked. */
export interface ExpectedAnswer {
  expected: QuestionKey;
  answer: unknown;
}

declare global {
  interface Window {
    /** started by the page while the scripts of its view were on their way */
    summantOrdersWorker?: Worker | undefined;
    /** what it has answered since; each is taken once */
    summantExpected?: Map<QuestionKey, unknown>;
  }
}
