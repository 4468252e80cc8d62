import { instantOfLocal, isTimeZone } from './time-zone-clock.ts';
import { dayNumber } from './day.ts';
import type { Fault } from '../policy/fault.ts';
import type { Schedule } from '../policy/types.ts';

export function checkReadIn(readIn: string, pointer: string, fault: Fault): boolean {
  const known = readIn === 'store' || readIn === 'market' || isTimeZone(readIn);
  if (!known) fault(pointer, 'must be store, market or an IANA time zone');
  return known;
}

export function checkLocalTime(local: string, pointer: string, fault: Fault): boolean {
  const exists = dayNumber(local.slice(0, 10)) !== null;
  if (!exists) fault(pointer, 'is not a day of the calendar');
  return exists;
}

/** Its dates exist and it ends after it begins. */
export function checkSchedule({ readIn, from, until }: Schedule, pointer: string, fault: Fault): void {
  const known = checkReadIn(readIn, `${pointer}/readIn`, fault);
  const begins = from === undefined || checkLocalTime(from, `${pointer}/from`, fault);
  const ends = until === undefined || checkLocalTime(until, `${pointer}/until`, fault);
  if (!known || !begins || !ends || from === undefined || until === undefined) return;
  const zone = readIn === 'store' || readIn === 'market' ? 'UTC' : readIn;
  if (instantOfLocal(zone, until, 'later') <= instantOfLocal(zone, from, 'earlier'))
    fault(`${pointer}/until`, 'must be after from');
}
