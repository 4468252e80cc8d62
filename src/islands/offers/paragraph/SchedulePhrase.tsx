import { setSchedule } from '../../../client/edits/schedule-edits.ts';
import { setAt } from '../../../client/edits/set-at.ts';
import type { Schedule } from '../../../core/policy/types.ts';
import { isWithin, compileSchedule } from '../../../core/time/schedule.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { DateField } from '../../fields/dates/DateField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** From when until when an offer runs, and on whose clock. */
export function SchedulePhrase({ offerId, schedule }: { offerId: string; schedule: Schedule | undefined }) {
  const edit = useEdit();
  const { store } = usePolicy();
  const now = useNow();
  const place = ['offers', offerId, 'schedule'];
  const readIn = schedule?.readIn ?? 'store';
  const date = (label: string, kind: 'from' | 'until', none: string) => (
    <DateField
      label={label}
      kind={kind}
      value={schedule?.[kind] ?? ''}
      none={none}
      other={{ value: schedule?.[kind === 'from' ? 'until' : 'from'] ?? '', kind: kind === 'from' ? 'until' : 'from' }}
      change={(at) => edit(setSchedule(place, kind, at))}
      testId={`schedule-${kind}`}
    />
  );
  const span = compileSchedule(schedule, { store: store.timeZone, market: store.timeZone });
  const outside = now < span.from ? 'not yet' : 'it is over';
  return (
    <p>
      Runs from {date('Runs from', 'from', 'any day')} until {date('Runs until', 'until', 'it is stopped')} on the clock
      of{' '}
      <PhraseSelect
        label="Clock of the dates"
        value={readIn}
        options={[
          ['store', 'the store'],
          ['market', 'each market'],
          ...(readIn === 'store' || readIn === 'market' ? [] : [[readIn, readIn] as const]),
        ]}
        choose={(next) => schedule && edit(setAt([...place, 'readIn'], next))}
      />
      {schedule && <span className="text-soft">: {isWithin(span, now) ? 'it runs now' : outside}</span>}
    </p>
  );
}
