import { createPortal } from 'react-dom';
import type { Effect } from '../../../core/effect/effect.ts';
import type { ExperimentChanged } from '../../../core/effect/experiments-changed.ts';
import { entryInWords } from '../../../core/effect/effect-words.ts';
import type { Policy } from '../../../core/policy/types.ts';
import { useNotation, useNow } from '../../page/page-context.tsx';

/** What changes for shoppers on paper: all sentences, market by market. */
export function PrintedEffect({
  title,
  effect,
  experiments,
  was,
  is,
}: {
  title: string;
  effect: Effect;
  experiments: readonly ExperimentChanged[];
  was: Policy;
  is: Policy;
}) {
  const { money, locale } = useNotation();
  const now = useNow();
  const at = new Intl.DateTimeFormat(locale, {
    dateStyle: 'full',
    timeStyle: 'short',
    timeZone: is.store.timeZone,
  }).format(now);
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 1 });
  const markets = [...new Set(effect.entries.map(({ marketId }) => marketId))];
  return createPortal(
    <div className="printed-record">
      <h1>{title}</h1>
      <p>
        {is.store.name}, {at}
      </p>
      {experiments.map(({ id, sentence }) => (
        <p key={id}>{sentence}</p>
      ))}
      {markets.map((id) => {
        const { name, currency } = (is.markets[id] ?? was.markets[id])!;
        const saying = { was, is, money: (minor: number) => money(minor, currency), language: locale };
        return (
          <section key={id}>
            <h2>{name}</h2>
            <ul>
              {effect.entries
                .filter(({ marketId }) => marketId === id)
                .map((entry, index) => {
                  const { stretch, whom, what } = entryInWords(entry, saying);
                  const { orders } = entry;
                  return (
                    <li key={index}>
                      {whom}, {stretch}: {what}
                      {orders && orders.all > 0 && ` ${percent.format(orders.there / orders.all)} of past orders.`}
                    </li>
                  );
                })}
            </ul>
          </section>
        );
      })}
      {effect.notExamined.map((why) => (
        <p key={why}>Not examined: {why}</p>
      ))}
    </div>,
    document.body,
  );
}
