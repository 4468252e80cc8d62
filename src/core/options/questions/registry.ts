import type { Question } from '../../policy/types.ts';
import { Registry } from '../../registry.ts';
import { choice } from './choice.ts';
import { freeText } from './free-text.ts';
import type { QuestionKindRecord } from './question-kind.ts';
import { telephone } from './telephone.ts';

/** Every kind of question. */
export const questionKinds = new Registry<QuestionKindRecord>('question', ({ kind }) => kind, [
  telephone,
  freeText,
  choice,
]);

export const questionKindOf = ({ kind }: Pick<Question, 'kind'>): QuestionKindRecord => questionKinds.of(kind);
