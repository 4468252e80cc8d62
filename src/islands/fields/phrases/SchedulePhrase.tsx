import { setAt } from '../../../client/edits/set-at.ts';
import type { Schedule } from '../../../core/policy/types.ts';
import { isWithin, compileSchedule } from '../../../core/time/schedule.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { ScheduleDate } from '../dates/ScheduleDate.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** From when until when an offer or a notice runs, and on whose clock. @param path of the schedule in the policy */
export function SchedulePhrase({ path, schedule }: { path: string[]; schedule: Schedule | undefined }) {
  const edit = useEdit();
  const { store } = usePolicy();
  const now = useNow();
  const readIn = schedule?.readIn ?? 'store';
  const date = (label: string, end: 'from' | 'until', none: string) => (
    <ScheduleDate {...{ label, end, none, schedule }} path={path} testId={`schedule-${end}`} />
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
        choose={(next) => schedule && edit(setAt([...path, 'readIn'], next))}
      />
      {schedule && <span className="text-soft">: {isWithin(span, now) ? 'it runs now' : outside}</span>}
    </p>
  );
}
