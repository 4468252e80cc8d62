import { DateTimeField } from './DateTimeField.tsx';

/** The day so many days after that of a local time. */
const dayAfter = (local: string, days: number) =>
  new Date(Date.parse(`${local.slice(0, 10)}T00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/**
 * The moment before which something ends, on a clock, to the minute. Who types 23:59 nearly always means the whole of that
 * day, last minute included, and is offered it; a midnight is said as the end of the day before it.
 */
export function UntilField({
  label,
  value,
  change,
  testId,
}: {
  label: string;
  value: string;
  change: (value: string) => void;
  testId?: string;
}) {
  const inWords = (date: string) =>
    new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(
      Date.parse(`${date}T00:00Z`),
    );
  return (
    <>
      <DateTimeField label={label} value={value} change={change} {...(testId ? { testId } : {})} />
      {value.endsWith('T23:59') && (
        <button type="button" className="btn btn-xs btn-ghost" onClick={() => change(`${dayAfter(value, 1)}T00:00`)}>
          until the end of {inWords(value.slice(0, 10))}
        </button>
      )}
      {value.endsWith('T00:00') && <span className="text-faint"> (the end of {inWords(dayAfter(value, -1))})</span>}
    </>
  );
}
