import type { MarketChange } from '../../../core/results/changes-of-market.ts';
import { inOrder } from '../../../core/ordered.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { DateField } from '../../fields/dates/DateField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import type { SetQuery } from '../../page/use-query.ts';
import { changeInWords } from './change-in-words.ts';
import { nameOfChange, type ChosenChange } from '../../../core/results/asked/chosen-change.ts';

const anyDay = 'day';

/** What is looked at, as a sentence of choices. */
export function ChangeSentence({
  market,
  changes,
  chosen: { since, base, beside },
  weeks,
  days,
  setQuery,
}: {
  market: string;
  changes: readonly MarketChange[];
  chosen: ChosenChange;
  /** taken, of as many as there could be; null: not a whole week on both sides */
  weeks: { taken: number; most: number } | null;
  /** first and last with orders; null: none */
  days: { first: string; last: string } | null;
  setQuery: SetQuery;
}) {
  const { markets } = usePolicy();
  const { locale, figure } = useNotation();
  const { currency } = markets[market]!;
  const write = (minor: number) => figure(minor, currency);
  const shortDay = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeZone: 'UTC' });
  const sinceOf = (change: MarketChange) =>
    `${changeInWords(change, write)} (release ${change.release}, ${shortDay.format(change.day * 86_400_000)})`;
  const others = inOrder(markets).filter(([id]) => id !== market);
  return (
    <>
      <h1 className="text-head">
        Results in{' '}
        <PhraseSelect
          label="Market"
          value={market}
          options={inOrder(markets).map(([id, { name }]) => [id, name])}
          choose={(id) => setQuery({ market: id, since: '', weeks: '', beside: '' })}
          testId="results-market"
        />
      </h1>
      <p className="text-lead leading-7">
        since{' '}
        <PhraseSelect
          label="Since what"
          value={since?.kind === 'change' ? nameOfChange(since.change) : anyDay}
          options={[
            ...changes.map((change) => [nameOfChange(change), sinceOf(change)] as const),
            [anyDay, 'a day of my choice'],
          ]}
          choose={(id) => setQuery({ since: id === anyDay ? dateOfDay(since?.day ?? 0) : id, weeks: '' })}
          testId="results-since"
        />
        {since?.kind === 'day' && (
          <>
            ,{' '}
            <DateField
              label="Day of the change"
              value={dateOfDay(since.day)}
              {...(days ? { least: days.first, most: days.last } : {})}
              change={(day) => setQuery({ since: day, weeks: '' })}
              testId="results-day"
            />
          </>
        )}
        {weeks && (
          <>
            : the{' '}
            <PhraseSelect
              label="Weeks"
              value={String(weeks.taken)}
              options={Array.from({ length: weeks.most }, (_, index) => [
                String(index + 1),
                index === 0 ? 'first week' : `first ${index + 1} weeks`,
              ])}
              choose={(taken) => setQuery({ weeks: taken === String(weeks.most) ? '' : taken })}
              testId="results-weeks"
            />{' '}
            after it beside
          </>
        )}
        {!weeks && ': the weeks after it beside'}{' '}
        <PhraseSelect
          label="Compared weeks"
          value={base}
          options={[
            ['before', 'the weeks before it'],
            ['yearBefore', 'the same weeks a year earlier'],
          ]}
          choose={(chosen) => setQuery({ base: chosen === 'before' ? '' : chosen, weeks: '' })}
          testId="results-base"
        />
        , compared with{' '}
        <PhraseSelect
          label="Compared markets"
          value={typeof beside === 'string' ? beside : beside.market}
          options={[
            ['others', 'the markets without a change'],
            ...others.map(([id, { name }]) => [id, name] as const),
            ['none', 'no other market'],
          ]}
          choose={(chosen) => setQuery({ beside: chosen === 'others' ? '' : chosen })}
          testId="results-beside"
        />
      </p>
    </>
  );
}
