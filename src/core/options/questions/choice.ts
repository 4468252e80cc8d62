import type { QuestionKindRecord } from './question-kind.ts';

/** One of a list; the answer is the key of what is chosen. */
export const choice: QuestionKindRecord = {
  kind: 'choice',
  called: 'one of a list',
  schema: {
    required: ['choices'],
    properties: {
      choices: {
        type: 'object',
        minProperties: 1,
        maxProperties: 50,
        propertyNames: { $ref: '#/$defs/id' },
        additionalProperties: {
          type: 'object',
          additionalProperties: false,
          required: ['order', 'label'],
          properties: { order: { $ref: '#/$defs/order' }, label: { $ref: '#/$defs/texts' } },
        },
      },
    },
  },
  begin: () => ({ choices: { first: { order: 1, label: {} } } }),
  fault: (answer, question) =>
    question.kind === 'choice' && Object.hasOwn(question.choices, answer) ? null : 'notOffered',
};
