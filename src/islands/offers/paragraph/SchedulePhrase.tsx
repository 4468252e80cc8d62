import { setSchedule } from '../../../client/edits/schedule-edits.ts';
import { setAt } from '../../../client/edits/set-at.ts';
import type { Edit } from '../../../client/edits/edit.ts';
import type { Schedule } from '../../../core/policy/types.ts';
import { isWithin, compileSchedule } from '../../../core/time/schedule.ts';
import { DateTimeField } from '../../../ui/DateTimeField.tsx';
import { UntilField } from '../../../ui/UntilField.tsx';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePage, usePolicy } from '../../page/page-context.tsx';

/** From when until when an offer runs, and on whose clock. */
export function SchedulePhrase({
  offerId,
  schedule,
  edit,
}: {
  offerId: string;
  schedule: Schedule | undefined;
  edit: (edit: Edit) => boolean;
}) {
  const { store } = usePolicy();
  const { now } = usePage();
  const place = ['offers', offerId, 'schedule'];
  const readIn = schedule?.readIn ?? 'store';
  const date = (label: string, field: 'from' | 'until') => {
    const Field = field === 'until' ? UntilField : DateTimeField;
    return (
      <Field
        label={label}
        value={schedule?.[field] ?? ''}
        change={(at) => edit(setSchedule(place, field, at))}
        testId={`schedule-${field}`}
      />
    );
  };
  const span = compileSchedule(schedule, { store: store.timeZone, market: store.timeZone });
  const outside = now < span.from ? 'not yet' : 'it is over';
  return (
    <p>
      Runs from {date('Runs from', 'from')} until {date('Runs until', 'until')} on the clock of{' '}
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
