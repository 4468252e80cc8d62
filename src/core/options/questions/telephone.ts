import type { QuestionKindRecord } from './question-kind.ts';

/** At most 15 digits (ITU-T E.164, 2010), and as few as a local number has: at least 5, common practice. */
const digits = { least: 5, most: 15 };

/** A number to call, with the signs that people write between its digits. */
export const telephone: QuestionKindRecord = {
  kind: 'telephone',
  called: 'a telephone number',
  schema: { required: [], properties: {} },
  begin: () => ({}),
  fault(answer) {
    const count = answer.replace(/\D/g, '').length;
    const written = /^\+?[\d\s().\-/]+$/.test(answer);
    return written && count >= digits.least && count <= digits.most ? null : 'notATelephone';
  },
};
