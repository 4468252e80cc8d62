import type { Pace } from '../../../core/experiments/planning/pace.ts';
import { addDays, dateOfDay } from '../../../core/time/day.ts';
import { writeDay } from '../../../core/time/written-date.ts';
import { useNotation } from '../../page/page-context.tsx';
import type { PlanFound } from '../../../core/experiments/planning/plan-found.ts';
import type { PlanDraft } from '../../../core/experiments/planning/planned-experiment.ts';

/** What a plan takes at this store’s pace, and whether the weeks it may go on are enough. */
export function PlanInWords({
  plan: { from, weeks },
  pace,
  known,
  found,
  all,
  effect,
  currency,
}: {
  plan: PlanDraft;
  pace: Pace | null;
  /** whether the store’s orders have been read */
  known: boolean;
  found: PlanFound | null;
  /** hundredths of a percent of all shoppers */
  all: number;
  effect: number;
  currency: string;
}) {
  const { locale, money } = useNotation();
  const count = (value: number) => value.toLocaleString(locale, { maximumFractionDigits: 0 });
  return (
    <div className="min-h-12 max-w-[60rem]" role="status" data-testid="plan-in-words">
      {all > 10_000 && <p className="text-error">The shares come to {all / 100} %: there are no more than 100.</p>}
      {!known && <p className="text-soft">Looking at how this market sells …</p>}
      {known && !found && all <= 10_000 && (
        <p>
          Not a whole week of orders of this market is known, so how long it takes cannot be said. Import orders at{' '}
          <a className="link link-primary" href="/orders">
            Orders
          </a>
          , or begin without a plan.
        </p>
      )}
      {found && pace && (
        <>
          <p>
            <strong>
              {found.days !== null && found.days <= weeks * 7
                ? `${inWeeks(found.days)}, until about ${writeDay(addDays(from, found.days - 1), locale)}.`
                : `${count(weeks)} ${weeks === 1 ? 'week is' : 'weeks are'} too few.`}
            </strong>{' '}
            To find a difference of {money(effect, currency)} 80 of a hundred times takes {count(found.orders)} orders
            of two arms
            {paceInWords(found.days, weeks)}{' '}
            {found.within > 0 &&
              `In ${count(weeks)} ${weeks === 1 ? 'week' : 'weeks'} about ${count(found.within)} come in, which find a difference of ${money(Math.ceil(found.tells), currency)} or more.`}
          </p>
          <p className="text-small text-soft">
            Pace and scatter are those of the {count(pace.orders)} orders from{' '}
            {writeDay(dateOfDay(pace.days.from), locale)} to {writeDay(dateOfDay(pace.days.to - 1), locale)}. One may
            look as often as one likes: the interval allows for that, and takes about twice as many orders as a single
            look.
          </p>
        </>
      )}
    </div>
  );
}

/** How long that takes, where it is longer than it may go on. */
function paceInWords(days: number | null, weeks: number): string {
  if (days === null) return ': more than two years at this pace.';
  return days > weeks * 7 ? `: ${inWeeks(days)} at this pace.` : '.';
}

/** Days in weeks, once they are some. */
const inWeeks = (days: number): string => (days < 14 ? `${days} days` : `${Math.ceil(days / 7)} weeks`);
