import type { Offer } from '../policy/types.ts';
import { compileSchedule, type Clocks } from '../time/schedule.ts';

/** Whether an offer is in use at a moment, and since or until when. Instants in ms since 1970-01-01T00:00Z. */
export type OfferState =
  | { kind: 'off' }
  | { kind: 'planned'; from: number }
  | { kind: 'on'; until: number | null }
  | { kind: 'ended'; until: number };

export function offerState(
  { on, schedule }: Pick<Offer, 'on' | 'schedule'>,
  instant: number,
  clocks: Clocks,
): OfferState {
  if (!on) return { kind: 'off' };
  const { from, until } = compileSchedule(schedule, clocks);
  if (instant < from) return { kind: 'planned', from };
  if (instant >= until) return { kind: 'ended', until };
  return { kind: 'on', until: Number.isFinite(until) ? until : null };
}
