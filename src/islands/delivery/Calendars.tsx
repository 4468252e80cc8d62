import { usedInWords } from './option-words.ts';
import { useMemo, useState } from 'react';
import { freshId, setAt } from '../../client/edits/set-at.ts';
import { countOptions } from '../../core/options/count-options.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Calendar } from '../../core/policy/types.ts';
import { dayNumber } from '../../core/time/day.ts';
import { Remove } from '../../ui/Remove.tsx';
import { DateField } from '../fields/dates/DateField.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { parseName } from '../fields/typed-text.ts';
import { weekdays } from './opening-hours.ts';
import { part } from '../page/parts.ts';

/** The days on which goods leave and arrive: weekdays, and days without delivery. */
export function Calendars() {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const calendars = inOrder(policy.calendars ?? {});
  const counts = useMemo(() => countOptions(policy.options, ({ estimate }) => estimate.calendar), [policy.options]);
  const used = (id: string) => counts.get(id) ?? 0;
  const add = () =>
    edit(
      setAt(['calendars', freshId('calendar', policy.calendars ?? {})], {
        order: orderAfterLast(policy.calendars ?? {}),
        name: `Calendar ${calendars.length + 1}`,
        workingDays: [1, 2, 3, 4, 5],
        holidays: {},
      } satisfies Calendar),
    );
  return (
    <GuardedEdits edit={edit}>
      <section ref={part('calendars')} className="mt-3 border-t border-hairline pt-2" aria-label="Calendars">
        <h2 className="text-title">Calendars</h2>
        {refusal}
        <ul>
          {calendars.map(([id, { name, workingDays, holidays }]) => (
            <li key={id} className="border-b border-hairline py-1 leading-7" data-testid={`calendar-${id}`}>
              <p>
                <strong>
                  <EditedField
                    label={`Name of calendar ${name}`}
                    shown={name}
                    parse={parseName}
                    change={(value) => setAt(['calendars', id, 'name'], value)}
                  />
                </strong>{' '}
                works on{' '}
                {weekdays.map((day, index) => {
                  const number = (index + 1) as Calendar['workingDays'][number];
                  const on = workingDays.includes(number);
                  return (
                    <label key={day} className="mr-2 inline-flex items-center gap-1 text-small">
                      <input
                        type="checkbox"
                        className="checkbox checkbox-xs"
                        checked={on}
                        onChange={() =>
                          edit(
                            setAt(
                              ['calendars', id, 'workingDays'],
                              on
                                ? workingDays.filter((other) => other !== number)
                                : [...workingDays, number].sort((a, b) => a - b),
                            ),
                          )
                        }
                      />
                      {day}
                    </label>
                  );
                })}
                <span className="text-small text-soft">{usedInWords(used(id))}</span>
                {used(id) === 0 && (
                  <button
                    type="button"
                    className="btn btn-xs"
                    onClick={() => edit(setAt(['calendars', id], undefined))}
                  >
                    remove it
                  </button>
                )}
              </p>
              <p className="text-small">
                but not on{' '}
                {Object.entries(holidays)
                  .sort(([a], [b]) => (a < b ? -1 : 1))
                  .map(([date, reason]) => (
                    <span key={date} className="mr-2 whitespace-nowrap">
                      {date} {reason}
                      <Remove
                        what={`${date} of ${name}`}
                        remove={() => edit(setAt(['calendars', id, 'holidays', date], undefined))}
                      />
                    </span>
                  ))}
                <AddDay
                  calendar={name}
                  taken={holidays}
                  add={(date, reason) => edit(setAt(['calendars', id, 'holidays', date], reason))}
                />
              </p>
            </li>
          ))}
        </ul>
        <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-calendar">
          Add a calendar
        </button>
      </section>
    </GuardedEdits>
  );
}

function AddDay({
  calendar,
  taken,
  add,
}: {
  calendar: string;
  taken: Readonly<Record<string, string>>;
  add: (date: string, reason: string) => void;
}) {
  const [date, setDate] = useState('');
  const [reason, setReason] = useState('');
  const ready = dayNumber(date) !== null && taken[date] === undefined;
  return (
    <span>
      <DateField
        label={`Day without delivery in ${calendar}`}
        value={date}
        none="a day without delivery"
        change={setDate}
      />{' '}
      <input
        className="field"
        aria-label={`Why there is none that day in ${calendar}`}
        placeholder="why"
        maxLength={120}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />{' '}
      <button
        type="button"
        className="btn btn-xs"
        disabled={!ready}
        onClick={() => {
          add(date, reason.trim() || 'No delivery');
          setDate('');
          setReason('');
        }}
      >
        Add the day
      </button>
    </span>
  );
}
