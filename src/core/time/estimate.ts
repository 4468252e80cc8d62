import { mostPreparationDays } from './preparation.ts';
import type { DeliveryOption } from '../policy/types.ts';
import { dateOfDay } from './day.ts';
import { openDayFrom, openFrom, type Openings } from './openings.ts';
import { addWorkingDays, minuteOfDay, workingDayFrom, type WorkingDays } from './working-days.ts';
import { instantOfClock, type LocalTime } from './time-zone-clock.ts';

/** When goods are there: as it was promised, and what that means for an order at the moment of the evaluation. */
export type Estimate =
  | {
      unit: 'workingDays';
      min: number;
      max: number;
      /** ISO 8601 days */ leaves: string;
      earliest: string;
      latest: string;
    }
  | {
      unit: 'hours';
      min: number;
      max: number;
      /** ms since 1970-01-01T00:00Z */ starts: number;
      earliest: number;
      latest: number;
    };

export interface CompiledEstimate {
  unit: 'workingDays' | 'hours';
  min: number;
  max: number;
  /** minutes since midnight on the store's clock before which an order leaves the same day */
  cutOff: number;
  calendar: WorkingDays;
  storeZone: string;
  /** of the place where it is collected, which bound it; null: none */
  openings: Openings | null;
  /** estimates in working days by day, since they change only from day to day */
  known: Map<number, Estimate>;
}

const minutesPerDay = 1440;
const maxKnown = 1000;
const beyondPreparation = mostPreparationDays + 1;
const msPerHour = 3_600_000;

export function compileEstimate(
  { min, max, unit, cutOff }: DeliveryOption['estimate'],
  calendar: WorkingDays,
  storeZone: string,
  openings: Openings | null = null,
): CompiledEstimate {
  return {
    unit: unit ?? 'workingDays',
    min,
    max,
    cutOff: cutOff ? minuteOfDay(cutOff) : minutesPerDay,
    calendar,
    storeZone,
    openings,
    known: new Map(),
  };
}

/**
 * The days or instants between which goods ordered now arrive. An order on a working day before the cut-off leaves
 * that day, any other on the next working day. Working days count from the day it leaves; hours run on from the moment
 * of the order, or from the opening of the day it leaves. Goods that take days to prepare leave so many working days later. What is collected is there when its place is next open.
 *
 * @param local the instant on the store's clock
 * @param preparation working days before the slowest of the goods can leave, at most 365
 */
export function estimateAt(compiled: CompiledEstimate, local: LocalTime, instant: number, preparation = 0): Estimate {
  const { unit, min, max, cutOff, calendar, storeZone, openings } = compiled;
  const late = local.minute >= cutOff ? 1 : 0;
  if (unit === 'workingDays') {
    const key = (local.day * 2 + late) * beyondPreparation + preparation;
    const known = compiled.known.get(key);
    if (known) return known;
    const leaves = addWorkingDays(calendar, workingDayFrom(calendar, local.day + late), preparation);
    const arrives = (count: number) => {
      const day = addWorkingDays(calendar, leaves, count);
      return dateOfDay(openings ? openDayFrom(openings, day) : day);
    };
    const estimate: Estimate = {
      unit,
      min,
      max,
      leaves: dateOfDay(leaves),
      earliest: arrives(min),
      latest: arrives(max),
    };
    if (compiled.known.size >= maxKnown) compiled.known.clear();
    compiled.known.set(key, estimate);
    return estimate;
  }
  const day = addWorkingDays(calendar, workingDayFrom(calendar, local.day + late), preparation);
  const starts = Math.max(instant, instantOfClock(storeZone, day, calendar.opens, 'earlier'));
  const ready = (count: number) =>
    openings ? openFrom(openings, starts + count * msPerHour) : starts + count * msPerHour;
  return { unit, min, max, starts, earliest: ready(min), latest: ready(max) };
}
