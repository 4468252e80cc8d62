import { treeOf } from '../conditions/condition-region.ts';
import type { Asked, Tree } from '../regions/region.ts';
import { includes } from '../regions/values.ts';
import { isoWeekday } from '../time/day.ts';
import { isWithin, type TimeSpan } from '../time/schedule.ts';
import { instantOfClock, localTime } from '../time/time-zone-clock.ts';
import { conditionsOf, type PartsOfZone } from './shopper-classes.ts';

/** So many moments at most are looked at beside this one. */
const mostMoments = 24;

const msPerDay = 86_400_000;
const daysOfWeek = [0, 1, 2, 3, 4, 5, 6];

/** What may be otherwise at another moment. */
export interface Times {
  spans: TimeSpan[];
  /** of conditions */
  trees: Tree[];
}

/**
 * Moments at which other options, offers and notices of some are in force, or other conditions hold, than at this one and
 * than at each other: the beginnings and ends that lie ahead, each day of the week and each stretch of the day that is asked for.
 *
 * @param now ms since 1970-01-01T00:00Z @returns this one first; `all` is false where there are more than are looked at
 */
export function momentsOf({ spans, trees }: Times, now: number): { moments: number[]; all: boolean } {
  const asked = trees.flatMap(askedIn).filter(isOfTime);
  const edges = [
    ...spans.flatMap(({ from, until }) => [from, until]),
    ...asked.flatMap(({ fact, values }) =>
      fact === 'instant' && values.kind === 'numbers' ? values.spans.flatMap(({ from, to }) => [from, to]) : [],
    ),
  ].filter((at) => at > now && Number.isFinite(at));
  const days = asked.some(({ fact }) => fact.startsWith('weekday ')) ? daysOfWeek : [0];
  const bases = [now, ...edges].flatMap((base) => days.map((day) => base + day * msPerDay));
  const times = asked.flatMap((one) => minutesAsked(one));
  const ahead = bases.flatMap((base) => [base, ...times.map((time) => nextAt(time, base))]).sort((a, b) => a - b);
  const known = new Set<string>();
  const moments = [now, ...ahead].filter((at) => {
    const state = stateAt(at, spans, asked);
    return !known.has(state) && known.add(state);
  });
  return { moments: moments.slice(0, mostMoments + 1), all: moments.length <= mostMoments + 1 };
}

/** The dates and conditions of some of a zone. */
export const timesOf = (parts: readonly PartsOfZone[]): Times => ({
  spans: parts.flatMap(({ options, offers, notices }) => [
    ...[...options, ...offers, ...notices].map(({ span }) => span),
    ...notices.flatMap(({ countdown }) =>
      countdown?.to === 'moment' ? [{ from: countdown.at - countdown.within, until: countdown.at }] : [],
    ),
  ]),
  trees: parts.flatMap((zone) =>
    conditionsOf(zone).map((condition) => treeOf(condition, zone.policy.qualifiers, zone.market.terms)),
  ),
});

const isOfTime = ({ fact }: Asked): boolean =>
  fact === 'instant' || fact.startsWith('weekday ') || fact.startsWith('timeOfDay ');

const askedIn = (tree: Tree): Asked[] => ('of' in tree ? tree.children.flatMap((child) => askedIn(child)) : [tree]);

interface TimeOnClock {
  clock: string;
  minute: number;
}

function minutesAsked({ fact, values }: Asked): TimeOnClock[] {
  if (!fact.startsWith('timeOfDay ') || values.kind !== 'numbers') return [];
  const clock = clockOf(fact);
  return values.spans.flatMap(({ from, to }) => [from, to % (24 * 60)].map((minute) => ({ clock, minute })));
}

const clockOf = (fact: string): string => fact.slice(fact.indexOf(' ') + 1);

/** The first moment from another on at which a clock shows a time. */
function nextAt({ clock, minute }: TimeOnClock, from: number): number {
  const { day } = localTime(clock, from);
  const today = instantOfClock(clock, day, minute, 'earlier');
  return today >= from ? today : instantOfClock(clock, day + 1, minute, 'earlier');
}

/** Tells what is within its dates and which conditions on the moment hold at a moment, to be compared. */
export function timeStates({ spans, trees }: Times): (at: number) => string {
  const asked = trees.flatMap(askedIn).filter(isOfTime);
  return (at) => stateAt(at, spans, asked);
}

function stateAt(at: number, spans: readonly TimeSpan[], asked: readonly Asked[]): string {
  const holds = asked.map(({ fact, values }) => includes(values, valueAt(fact, at)));
  return [...spans.map((span) => isWithin(span, at)), ...holds].map(Number).join('');
}

function valueAt(fact: string, at: number): number | string {
  if (fact === 'instant') return at;
  const { day, minute } = localTime(clockOf(fact), at);
  return fact.startsWith('weekday ') ? String(isoWeekday(day)) : minute;
}
