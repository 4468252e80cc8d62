import { useState } from 'react';
import { DayPicker } from 'react-day-picker';
import { readMoment, writeMoment, type WrittenMoment } from '../../../core/time/written-date.ts';
import { useNotation, useNow } from '../../page/page-context.tsx';
import { shownMoment, storedMoment, type DateKind } from './moments.ts';

/** The calendar's days are the platform's, at noon of wherever the browser is: only year, month and day are read of them. */
const dateOf = (day: string): Date => new Date(`${day}T12:00`);
const dayOf = (date: Date): string =>
  `${String(date.getFullYear()).padStart(4, '0')}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;

/** 0 is Sunday, as the calendar counts; Monday where the platform does not say. */
function firstWeekday(locale: string): 0 | 1 | 2 | 3 | 4 | 5 | 6 {
  const week = new Intl.Locale(locale) as Intl.Locale & { getWeekInfo?: () => { firstDay: number } };
  return ((week.getWeekInfo?.().firstDay ?? 1) % 7) as 0 | 1 | 2 | 3 | 4 | 5 | 6;
}

/** A month to choose a day from, and a line to type one into. */
export default function CalendarPanel({
  label,
  kind,
  value,
  change,
  none,
  least,
  most,
}: {
  label: string;
  kind: DateKind;
  value: string;
  change: (value: string) => void;
  none: string | undefined;
  least: string | undefined;
  most: string | undefined;
}) {
  const { locale } = useNotation();
  const today = new Date(useNow()).toISOString().slice(0, 10);
  const now: WrittenMoment | null = value === '' ? null : shownMoment(value, kind);
  const [typed, setTyped] = useState<string | null>(null);
  const read = typed === null ? now : readMoment(typed, locale, today);
  const outside =
    read !== null && ((least !== undefined && read.day < least) || (most !== undefined && read.day > most));
  const take = (moment: WrittenMoment) => change(storedMoment(moment, kind));
  const month = read ? dateOf(read.day) : dateOf(most && today > most ? most : today);
  const [shownMonth, setShownMonth] = useState<{ of: string | undefined; month: Date } | null>(null);
  const wrong = typed !== null && typed !== '' && (read === null || outside);
  return (
    <span className="block p-3">
      <input
        autoFocus
        className="input input-sm w-full"
        aria-label={`${label}, typed`}
        aria-invalid={wrong}
        placeholder={
          kind === 'day'
            ? writeMoment({ day: today, time: null }, locale)
            : writeMoment({ day: today, time: '16:00' }, locale)
        }
        value={typed ?? (now ? writeMoment(now, locale) : '')}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          if (typed === '' && none !== undefined) change('');
          else if (read && !outside) take(read);
        }}
        data-testid="date-typed"
      />
      <span className="block min-h-5 text-fine text-soft" role={wrong ? 'alert' : undefined}>
        {wrong &&
          (outside
            ? 'Not among the days that can be chosen.'
            : `A date such as ${writeMoment({ day: today, time: null }, locale)}.`)}
        {!wrong && kind === 'until' && 'A day without a time ends with its last minute.'}
        {!wrong && kind === 'from' && 'A day without a time begins at midnight.'}
      </span>
      <DayPicker
        className="react-day-picker"
        mode="single"
        selected={read ? dateOf(read.day) : undefined}
        month={shownMonth && shownMonth.of === read?.day ? shownMonth.month : month}
        onMonthChange={(next) => setShownMonth({ of: read?.day, month: next })}
        onDayClick={(date) => take({ day: dayOf(date), time: read?.time ?? null })}
        weekStartsOn={firstWeekday(locale)}
        showOutsideDays
        disabled={[...(least ? [{ before: dateOf(least) }] : []), ...(most ? [{ after: dateOf(most) }] : [])]}
        formatters={{
          formatCaption: (date) => new Intl.DateTimeFormat(locale, { month: 'long', year: 'numeric' }).format(date),
          formatWeekdayName: (date) => new Intl.DateTimeFormat(locale, { weekday: 'narrow' }).format(date),
          formatDay: (date) => new Intl.NumberFormat(locale).format(date.getDate()),
        }}
        labels={{
          labelDayButton: (date) => new Intl.DateTimeFormat(locale, { dateStyle: 'full' }).format(date),
        }}
      />
      {none !== undefined && value !== '' && (
        <button type="button" className="btn btn-xs mt-1" onClick={() => change('')}>
          {none}
        </button>
      )}
    </span>
  );
}
