import { inOrder } from '../ordered.ts';
import type { Policy } from '../policy/types.ts';
import type { Window } from './matched-weeks.ts';
import type { OfferStep, ReleaseStep } from './release-step.ts';
import type { GoalTimeline } from '../orders/goal-timeline.ts';
import type { Windows } from './study-change.ts';

/** A release as results ask of it. */
export interface DatedStep extends ReleaseStep {
  number: number;
  /** of the store’s clock, days since 1970-01-01 */
  day: number;
  note: string;
  /** what was before is not known to Summant */
  first: boolean;
}

/** A change of an offer in a market, which results can be looked at since. */
export interface MarketChange extends Pick<OfferStep, 'offer' | 'name' | 'change'> {
  release: number;
  day: number;
  before: number | null;
  after: number | null;
}

/** Changes of offers in a market, the newest first. @param steps newest first */
export const changesIn = (steps: readonly DatedStep[], market: string): MarketChange[] =>
  steps.flatMap(({ number, day, offers }) =>
    offers.flatMap(({ offer, name, change, markets }) =>
      Object.hasOwn(markets, market) ? [{ release: number, day, offer, name, change, ...markets[market]! }] : [],
    ),
  );

/** Days around a change in which no other release changed an offer in its market; those of its own day count as one. */
export function freeAround(changes: readonly MarketChange[], day: number): Window {
  let [from, to] = [0, Number.MAX_SAFE_INTEGER];
  for (const { day: other } of changes) {
    if (other < day) from = Math.max(from, other + 1);
    if (other > day) to = Math.min(to, other);
  }
  return { from, to };
}

/**
 * Which goal of an offer was in force when. Before the oldest change that is known it is taken to have been as that change
 * found it; before the first release as it was from then on.
 *
 * @param changes newest first @param now the goal in force now
 */
export function goalsOver(changes: readonly MarketChange[], offer: string, now: number | null): GoalTimeline {
  const timeline: { from: number; goal: number | null }[] = [];
  let goal = now;
  for (const change of changes) {
    if (change.offer !== offer) continue;
    timeline.unshift({ from: change.day, goal: change.after });
    goal = change.before;
  }
  return [{ from: 0, goal }, ...timeline];
}

/** Whether an offer of a market was changed within two windows, or between them. */
export const changedWithin = (steps: readonly DatedStep[], market: string, { before, after }: Windows): boolean =>
  changesIn(steps, market).some(({ day }) => day >= before.from && day < after.to);

/** Before so many days have passed since a change, nothing is said of it. */
const leastDays = 7;

/**
 * The market that is asked for; else where the newest change of an offer was that a week has passed since, or else the newest
 * of all; else the first; null: there is none.
 *
 * @param today days since 1970-01-01
 */
export function marketLookedAt(
  asked: string | undefined,
  { markets }: Pick<Policy, 'markets'>,
  steps: readonly DatedStep[],
  today: number,
): string | null {
  const passed = steps.filter(({ day }) => today - day >= leastDays);
  const touched = [...passed, ...steps].flatMap(({ offers }) => offers.flatMap((offer) => Object.keys(offer.markets)));
  const known = [...(asked === undefined ? [] : [asked]), ...touched].find((market) => Object.hasOwn(markets, market));
  return known ?? inOrder(markets)[0]?.[0] ?? null;
}
