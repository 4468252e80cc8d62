import type { DayRate } from '../money/rate-history.ts';
import { dayNumber } from '../time/day.ts';
import type { TimeSpan } from '../time/schedule.ts';
import { localTime } from '../time/time-zone-clock.ts';
import type { DatedStep } from './changes-of-market.ts';
import type { Windows } from './study-change.ts';

/** Something else that changed while a change is looked at, and could be the reason for what is seen. */
export type ChangedToo =
  | { kind: 'release'; day: number; number: number; note: string; offers: string[]; others: number }
  /** by its own dates, without a release */
  | { kind: 'offer'; day: number; name: string; edge: 'begins' | 'ends' }
  /** average of the second window over that of the first, less one */
  | { kind: 'rate'; currency: string; moved: number };

/** A rate that moved less than that is not worth a word. */
const leastRateMove = 0.01;

/**
 * What else changed from the first day of the windows to their last, the oldest first.
 *
 * @param own the release that is looked at; null: none @param offers of the market, with when they run
 * @param rates of its currency, oldest first; empty where it is the store’s own
 */
export function changedToo(
  { before, after }: Windows,
  {
    steps,
    own,
    offers,
    rates,
    currency,
    timeZone,
  }: {
    steps: readonly DatedStep[];
    own: number | null;
    offers: readonly { name: string; span: TimeSpan }[];
    rates: readonly DayRate[];
    currency: string;
    timeZone: string;
  },
): ChangedToo[] {
  const within = (day: number) => day >= before.from && day < after.to;
  const dayOf = (instant: number) => (Number.isFinite(instant) ? localTime(timeZone, instant).day : NaN);
  const dated = [
    ...steps.flatMap(({ number, day, note, offers: changed, others }): Extract<ChangedToo, { day: number }>[] =>
      number !== own && within(day)
        ? [{ kind: 'release', day, number, note, offers: changed.map(({ name }) => name), others }]
        : [],
    ),
    ...offers.flatMap(({ name, span }) =>
      (
        [
          ['begins', dayOf(span.from)],
          ['ends', dayOf(span.until)],
        ] as const
      ).flatMap(([edge, day]) => (within(day) ? [{ kind: 'offer', day, name, edge } as const] : [])),
    ),
  ].sort((a, b) => a.day - b.day);
  const moved = rateMove(rates, { before, after });
  return moved !== null && Math.abs(moved) >= leastRateMove ? [...dated, { kind: 'rate', currency, moved }] : dated;
}

/** How the average rate of the second window lies to that of the first; null where a window has none. */
function rateMove(rates: readonly DayRate[], { before, after }: Windows): number | null {
  const average = ({ from, to }: { from: number; to: number }) => {
    const inside = rates.filter(({ day }) => {
      const at = dayNumber(day) ?? -1;
      return at >= from && at < to;
    });
    return inside.reduce((sum, { rate }) => sum + Number(rate), 0) / inside.length;
  };
  const moved = average(after) / average(before) - 1;
  return Number.isFinite(moved) ? moved : null;
}
