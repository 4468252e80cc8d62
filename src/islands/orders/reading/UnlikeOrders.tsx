import type { UnlikeRules } from '../../../core/reading/unlike-rules.ts';
import { useNotation } from '../../page/page-context.tsx';
import { wordsFor } from '../words.ts';
import { shareWords } from './share-words.ts';
import type { RuleWords } from './rule-in-words.ts';

/** Orders that the rules do not explain: the commonest ways in which they pay otherwise, with examples. */
export function UnlikeOrders({ unlike, words, ofAll }: { unlike: UnlikeRules; words: RuleWords; ofAll: number }) {
  const { locale } = useNotation();
  const { count } = wordsFor(locale);
  if (unlike.orders === 0) return null;
  return (
    <details>
      <summary className="text-soft">
        {count(unlike.orders)} of {count(ofAll)} orders ({shareWords(locale)(unlike.orders / ofAll, 'up')}) pay
        something else
      </summary>
      <ul className="list-disc pl-6">
        {unlike.groups.map(({ option, expected, charged, orders, examples }) => (
          <li key={`${option} ${expected} ${charged}`}>
            {count(orders)} by “{option}” {charged === 0 ? 'paid nothing' : `paid ${words.money(charged)}`}
            {expected === null
              ? ', of which the rules say nothing'
              : ` where the rules say ${expected === 0 ? 'free' : words.money(expected)}`}
            <span className="text-soft">
              :{' '}
              {examples
                .map(({ number, day, value, place: [country, , postcode] }) =>
                  [
                    number === null ? words.day(day) : `${number} of ${words.day(day)}`,
                    words.money(value),
                    [country, postcode].filter(Boolean).join(' '),
                  ].join(', '),
                )
                .join('; ')}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
