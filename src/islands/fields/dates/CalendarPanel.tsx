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

/** First and last day that can be chosen. */
interface Days {
  least: string | undefined;
  most: string | undefined;
}

const isOutside = (day: string, { least, most }: Days): boolean =>
  (least !== undefined && day < least) || (most !== undefined && day > most);

/** A month to choose a day from, and a line to type one into. */
export default function CalendarPanel({
  label,
  kind,
  value,
  change,
  none,
  other,
  ...days
}: Days & {
  label: string;
  kind: DateKind;
  value: string;
  change: (value: string) => void;
  none: string | undefined;
  /** the other end of the stretch that it begins or ends */
  other: string | undefined;
}) {
  const { locale } = useNotation();
  const today = new Date(useNow()).toISOString().slice(0, 10);
  const now: WrittenMoment | null = value === '' ? null : shownMoment(value, kind);
  const [typed, setTyped] = useState<string | null>(null);
  const read = typed === null ? now : readMoment(typed, locale, today);
  const take = (moment: WrittenMoment) => change(storedMoment(moment, kind));
  return (
    <span className="block p-3">
      <TypedDate
        label={label}
        kind={kind}
        today={today}
        text={typed ?? (now ? writeMoment(now, locale) : '')}
        wrong={wrongIn(typed, read, days)}
        change={setTyped}
        enter={() => {
          if (typed === '' && none !== undefined) change('');
          else if (read && !isOutside(read.day, days)) take(read);
        }}
      />
      <Month
        day={read && !isOutside(read.day, days) ? read.day : now?.day}
        other={other}
        today={today}
        days={days}
        choose={(day) => take({ day, time: read?.time ?? null })}
      />
      {none !== undefined && value !== '' && (
        <button type="button" className="btn btn-xs mt-1" onClick={() => change('')}>
          {none}
        </button>
      )}
    </span>
  );
}

/** Why what is typed cannot be taken; null where it can. */
function wrongIn(typed: string | null, read: WrittenMoment | null, days: Days): 'no date' | 'outside' | null {
  if (typed === null || typed === '') return null;
  if (!read) return 'no date';
  return isOutside(read.day, days) ? 'outside' : null;
}

const hints: Record<DateKind, string> = {
  day: '',
  from: 'A day without a time begins at midnight.',
  until: 'A day without a time ends with its last minute.',
};

function TypedDate({
  label,
  kind,
  today,
  text,
  wrong,
  change,
  enter,
}: {
  label: string;
  kind: DateKind;
  today: string;
  text: string;
  wrong: ReturnType<typeof wrongIn>;
  change: (text: string) => void;
  enter: () => void;
}) {
  const { locale } = useNotation();
  const said = {
    'no date': `A date such as ${writeMoment({ day: today, time: null }, locale)}.`,
    outside: 'Not among the days that can be chosen.',
  };
  return (
    <>
      <input
        autoFocus
        className="input input-sm w-full"
        aria-label={`${label}, typed`}
        aria-invalid={wrong !== null}
        placeholder={writeMoment({ day: today, time: kind === 'day' ? null : '16:00' }, locale)}
        value={text}
        onFocus={(event) => event.target.select()}
        onChange={(event) => change(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          enter();
        }}
        data-testid="date-typed"
      />
      <span className="mt-1.5 block min-h-5 text-fine text-soft" role={wrong ? 'alert' : undefined}>
        {wrong ? said[wrong] : hints[kind]}
      </span>
    </>
  );
}

/** Days of a stretch as the calendar marks them, by its two ends. */
function stretchOf(day: string | undefined, other: string | undefined) {
  if (day === undefined || other === undefined || day === other) return {};
  const [from, to] = (day < other ? [day, other] : [other, day]).map(dateOf) as [Date, Date];
  return { range_start: from, range_middle: { after: from, before: to }, range_end: to };
}

function Month({
  day,
  other,
  today,
  days,
  choose,
}: {
  /** the one chosen */
  day: string | undefined;
  other: string | undefined;
  today: string;
  days: Days;
  choose: (day: string) => void;
}) {
  const { locale } = useNotation();
  const { least, most } = days;
  const [turned, setTurned] = useState<{ of: string | undefined; month: Date } | null>(null);
  const begin = dateOf(day ?? (most !== undefined && today > most ? most : today));
  const format = (options: Intl.DateTimeFormatOptions) => (date: Date) =>
    new Intl.DateTimeFormat(locale, options).format(date);
  return (
    <DayPicker
      className="react-day-picker"
      mode="single"
      selected={day === undefined ? undefined : dateOf(day)}
      month={turned && turned.of === day ? turned.month : begin}
      onMonthChange={(month) => setTurned({ of: day, month })}
      onDayClick={(date) => choose(dayOf(date))}
      weekStartsOn={firstWeekday(locale)}
      showOutsideDays
      modifiers={stretchOf(day, other)}
      modifiersClassNames={{
        range_start: 'rdp-range_start',
        range_middle: 'bg-base-300',
        range_end: 'rdp-range_end',
      }}
      disabled={[
        ...(least === undefined ? [] : [{ before: dateOf(least) }]),
        ...(most === undefined ? [] : [{ after: dateOf(most) }]),
      ]}
      formatters={{
        formatCaption: format({ month: 'long', year: 'numeric' }),
        formatWeekdayName: format({ weekday: 'narrow' }),
        formatDay: (date) => new Intl.NumberFormat(locale).format(date.getDate()),
      }}
      labels={{ labelDayButton: format({ dateStyle: 'full' }) }}
    />
  );
}
