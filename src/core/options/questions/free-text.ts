import type { QuestionKindRecord } from './question-kind.ts';

export const freeText: QuestionKindRecord = {
  kind: 'text',
  called: 'a text',
  schema: { required: [], properties: {} },
  begin: () => ({}),
  fault: () => null,
};
