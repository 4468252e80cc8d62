import type { CompiledEstimate } from './estimate.ts';
import { instantOfClock, type LocalTime } from './time-zone-clock.ts';
import { workingDayFrom } from './working-days.ts';

/**
 * The moment at which an order begins to leave on a later working day than one that is made now: the cut-off of the day on which
 * it leaves. Where clocks show the cut-off twice that day, its first showing, and after that its second; where they skip it, the
 * moment at which they do.
 *
 * @param local the instant on the store's clock
 * @returns ms since 1970-01-01T00:00Z; null for an option without a cut-off
 */
export function nextCutOff(
  { cutOff, calendar, storeZone }: CompiledEstimate,
  local: LocalTime,
  instant: number,
): number | null {
  if (cutOff >= 1440) return null;
  const day = workingDayFrom(calendar, local.day + (local.minute >= cutOff ? 1 : 0));
  const first = instantOfClock(storeZone, day, cutOff, 'earlier');
  return first > instant ? first : instantOfClock(storeZone, day, cutOff, 'later');
}
