import type { Schedule } from '../policy/types.ts';
import { instantOfLocal } from './time-zone-clock.ts';

/** Half-open stretch of time [from, until) in ms since 1970-01-01T00:00Z. */
export interface TimeSpan {
  from: number;
  until: number;
}

export const always: TimeSpan = { from: -Infinity, until: Infinity };

/** Whose clocks a store reads: its own and those of a market. IANA time zones. */
export interface Clocks {
  store: string;
  market: string;
}

/** @param readIn "store", "market" or an IANA time zone */
export function zoneOf(readIn: string, clocks: Clocks): string {
  if (readIn === 'store') return clocks.store;
  if (readIn === 'market') return clocks.market;
  return readIn;
}

/**
 * A schedule as instants. When clocks show its start twice, the first showing counts, and the last for its end: of
 * two readings the one in which more shoppers are covered.
 */
export function compileSchedule(schedule: Schedule | undefined, clocks: Clocks): TimeSpan {
  if (!schedule) return always;
  const zone = zoneOf(schedule.readIn, clocks);
  return {
    from: schedule.from === undefined ? -Infinity : instantOfLocal(zone, schedule.from, 'earlier'),
    until: schedule.until === undefined ? Infinity : instantOfLocal(zone, schedule.until, 'later'),
  };
}

export function isWithin({ from, until }: TimeSpan, instant: number): boolean {
  return instant >= from && instant < until;
}
