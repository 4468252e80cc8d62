import { setOffer } from '../../client/offer-edits.ts';
import type { Edit } from '../../client/edit.ts';
import type { Schedule } from '../../core/policy/types.ts';
import { isWithin, compileSchedule } from '../../core/time/schedule.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePage, usePolicy } from '../frame/page-context.tsx';

const whole = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/;

/** From when until when an offer runs, and on whose clock. */
export function SchedulePhrase({ offerId, schedule, edit }: { offerId: string; schedule: Schedule | undefined; edit: (edit: Edit) => boolean }) {
  const { store } = usePolicy();
  const { now } = usePage();
  const { readIn = 'store', from, until }: Partial<Schedule> = schedule ?? {};
  const set = (next: { from?: string | undefined; until?: string | undefined; readIn?: string }) => {
    const all = { readIn, from, until, ...next };
    edit(setOffer(offerId, 'schedule', all.from || all.until ? { readIn: all.readIn, ...(all.from ? { from: all.from } : {}), ...(all.until ? { until: all.until } : {}) } : undefined));
  };
  const date = (label: string, field: 'from' | 'until', value: string | undefined) => (
    <input
      type="datetime-local"
      className="typed [field-sizing:fixed]"
      aria-label={label}
      value={value ?? ''}
      data-testid={`schedule-${field}`}
      onChange={(event) => {
        const next = event.target.value.slice(0, 16);
        if (next === '' || whole.test(next)) set({ [field]: next });
      }}
    />
  );
  const span = compileSchedule(schedule, { store: store.timeZone, market: store.timeZone });
  return (
    <p>
      Runs from {date('Runs from', 'from', from)} until {date('Runs until', 'until', until)} on the clock of{' '}
      <PhraseSelect label="Clock of the dates" value={readIn} options={[['store', 'the store'], ['market', 'each market'], ...(readIn === 'store' || readIn === 'market' ? [] : [[readIn, readIn] as const])]} choose={(next) => schedule && set({ readIn: next })} />
      {schedule && <span className="text-soft">: {isWithin(span, now) ? 'it runs now' : now < span.from ? 'not yet' : 'it is over'}</span>}
    </p>
  );
}
