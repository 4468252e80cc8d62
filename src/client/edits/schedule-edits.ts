import type { Schedule } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import { setAt, valueAt } from './set-at.ts';

/** One end of the dates of an offer or an option; an empty one is open, and without either there are no dates. */
export const setSchedule =
  (place: readonly string[], end: 'from' | 'until', at: string): Edit =>
  (policy) => {
    const { readIn = 'store', from, until }: Partial<Schedule> = { ...valueAt<Schedule>(policy, place), [end]: at };
    return setAt(
      place,
      from || until ? { readIn, ...(from ? { from } : {}), ...(until ? { until } : {}) } : undefined,
    )(policy);
  };
