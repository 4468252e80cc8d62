import { useId, useState } from 'react';
import { faultOf } from '../../core/options/questions/check-answers.ts';
import type { AnswerFault } from '../../core/options/questions/question-kind.ts';
import type { Question } from '../../core/policy/types.ts';
import type { QuotedQuestion } from '../../core/quote/quoted-questions.ts';
import type { ShopWords } from './shop-words.ts';

/** What an option asks, to be answered as a shopper would; what is wrong is said once a field has been left. */
export function ShopQuestions({
  questions,
  words,
  testId,
}: {
  questions: readonly QuotedQuestion[];
  words: ShopWords;
  testId?: string | undefined;
}) {
  return questions.map((question) => <ShopQuestion key={question.key} {...{ question, words, testId }} />);
}

function ShopQuestion({
  question,
  words,
  testId,
}: {
  question: QuotedQuestion;
  words: ShopWords;
  testId: string | undefined;
}) {
  const { key, kind, label, required, choices } = question;
  const id = useId();
  const [answer, setAnswer] = useState('');
  const [left, setLeft] = useState(false);
  const fault = left ? faultOf(asked(question), answer) : null;
  const field = {
    id,
    value: answer,
    'aria-invalid': fault !== null,
    'aria-describedby': `${id}-fault`,
    'data-testid': testId && `${testId}-${key}`,
    onChange: (event: { target: { value: string } }) => setAnswer(event.target.value),
    onBlur: () => setLeft(true),
  };
  return (
    <div className="shop-question">
      <label htmlFor={id}>
        {label} {required && <span className="shop-quiet">({words.needed})</span>}
      </label>
      {choices ? (
        <select {...field}>
          <option value="" />
          {choices.map((one) => (
            <option key={one.key} value={one.key}>
              {one.label}
            </option>
          ))}
        </select>
      ) : (
        <input {...field} type={kind === 'telephone' ? 'tel' : 'text'} maxLength={2000} autoComplete="off" />
      )}
      <p id={`${id}-fault`} className="shop-hindrance" role="status">
        {fault && faultWords(words)[fault]}
      </p>
    </div>
  );
}

const faultWords = (words: ShopWords): Record<AnswerFault, string> => ({
  missing: words.answerMissing,
  tooLong: words.answerTooLong,
  notATelephone: words.answerNoTelephone,
  notOffered: words.answerNotOffered,
  notAsked: '',
});

/** The question as answers are checked against it. */
const asked = ({ kind, required, longest, choices }: QuotedQuestion): Question => {
  const all = { order: 1, label: {}, required, longest };
  if (kind !== 'choice') return { ...all, kind };
  const offered = (choices ?? []).map((one, order) => [one.key, { order, label: {} }] as const);
  return { ...all, kind, choices: Object.fromEntries(offered) };
};
