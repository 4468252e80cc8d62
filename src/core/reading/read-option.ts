import { someOf } from './readable-orders.ts';
import { penaltyFor, pays, readRule, sameRule, type Measured, type ReadRule } from './read-rule.ts';
import { along, sortedPlaces } from './sorted-places.ts';
import { changesInTime } from './stretches.ts';

/** A rule and the days on which it held, the first and the day after the last; days since 1970-01-01. */
export interface DatedRule {
  from: number;
  to: number;
  rule: ReadRule;
}

/** What delivery by an option cost, and when that changed. */
export interface ReadOption {
  orders: number;
  explained: number;
  /** oldest first */
  rules: DatedRule[];
}

/** Orders are compared in time where they are alike: in so many bands of value, and of weight or pieces. */
const valueBands = 32;
const otherBands = 6;
/** Days between which changes are looked for first. */
const coarse = 7;
/** So many orders tell what held between changes, and where bands lie. */
const enoughForDays = 40_000;
/** A change in time has to explain so many times as many orders as an edge. */
const changeFactor = 1.5;

/**
 * Reads what an option cost, apart by days between which that changed.
 *
 * @param day by place @param places of orders by the option whose delivery is known
 */
export function readOption(measured: Measured, day: ArrayLike<number>, places: Uint32Array): ReadOption {
  const byDay = sortedPlaces(places, day);
  const penalty = changeFactor * penaltyFor(places.length);
  const changes = roughChanges(measured, day, byDay, penalty);
  const first = byDay.length > 0 ? day[byDay[0]!]! : 0;
  const end = byDay.length > 0 ? day[byDay.at(-1)!]! + 1 : 0;
  let dated: DatedRule[];
  if (changes.length === 0) dated = datedRules(measured, day, byDay, [first, end]);
  else {
    // Some tell what held before and after a change; the day it came on, and the rules, are found among all.
    const roughly = datedRules(measured, day, someOf(byDay, enoughForDays), [first, ...changes, end]);
    dated = datedRules(measured, day, byDay, [first, ...refined(measured, day, byDay, roughly), end]);
    if (dated.length > 1) dated = withoutNeedless(measured, day, byDay, dated, penalty);
  }
  return {
    orders: places.length,
    explained: dated.reduce((sum, { rule }) => sum + rule.explained, 0),
    rules: dated,
  };
}

function datedRules(
  measured: Measured,
  day: ArrayLike<number>,
  byDay: Uint32Array,
  days: readonly number[],
): DatedRule[] {
  return days.slice(0, -1).flatMap((from, i) => {
    const to = days[i + 1]!;
    const some = within(day, byDay, from, to);
    return some.length > 0 ? [{ from, to, rule: readRule(measured, some) }] : [];
  });
}

function within(day: ArrayLike<number>, byDay: Uint32Array, from: number, to: number): Uint32Array {
  return byDay.subarray(firstOn(day, byDay, from), firstOn(day, byDay, to));
}

function firstOn(day: ArrayLike<number>, byDay: Uint32Array, wanted: number): number {
  let [low, high] = [0, byDay.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (day[byDay[middle]!]! < wanted) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * Weeks in which something changed: where orders that are alike in value, and in weight or pieces, pay another price than
 * before. What a stretch of weeks costs is how many of them do not pay what is commonest among those like them.
 */
function roughChanges(measured: Measured, day: ArrayLike<number>, byDay: Uint32Array, penalty: number): number[] {
  if (byDay.length === 0) return [];
  const first = day[byDay[0]!]!;
  const weeks = Math.floor((day[byDay.at(-1)!]! - first) / coarse) + 1;
  const bands = bandsOf(measured, byDay);
  const prices = new Map<number, number>();
  // counts[cell][price][week], as running sums over weeks
  const columns: Float64Array[][] = [];
  for (const [i, place] of byDay.entries()) {
    const cell = (columns[bands[i]!] ??= []);
    const paid = measured.delivery[place]!;
    let price = prices.get(paid);
    if (price === undefined) prices.set(paid, (price = prices.size));
    const weekly = (cell[price] ??= new Float64Array(weeks + 1));
    weekly[Math.floor((day[place]! - first) / coarse) + 1]!++;
  }
  // Where all pay the same whenever they come, nothing can have changed.
  const cells = columns.map((cell) => cell.filter(Boolean)).filter((cell) => cell.length > 1);
  for (const cell of cells)
    for (const weekly of cell) for (let week = 0; week < weeks; week++) weekly[week + 1]! += weekly[week]!;
  const cost = (from: number, to: number) => {
    let unlike = 0;
    for (const cell of cells) {
      let [all, most] = [0, 0];
      for (const weekly of cell) {
        const count = weekly[to]! - weekly[from]!;
        all += count;
        if (count > most) most = count;
      }
      unlike += all - most;
    }
    return unlike;
  };
  return changesInTime(weeks, cost, penalty).map((week) => first + week * coarse);
}

/** In which band each order lies: quantiles of its value, and of its weight or pieces where they are known. */
function bandsOf({ value, weight, items }: Measured, places: Uint32Array): Uint32Array {
  const ranks = (of: ArrayLike<number>, bands: number) => {
    const ascending = along(someOf(places, enoughForDays), of).sort();
    const edges = Float64Array.from(
      { length: bands - 1 },
      (_, i) => ascending[Math.floor(((i + 1) * ascending.length) / bands)]!,
    );
    return (place: number) => {
      const amount = of[place]!;
      let low = 0;
      let high = edges.length;
      while (low < high) {
        const middle = (low + high) >> 1;
        if (amount >= edges[middle]!) low = middle + 1;
        else high = middle;
      }
      return low;
    };
  };
  const byValue = ranks(value, valueBands);
  const byOther = ranks(weight ?? items, otherBands);
  return places.map((place) => byValue(place) * otherBands + byOther(place));
}

/** The day of each change: that on which the rule before stops to explain more than the rule after. */
function refined(
  measured: Measured,
  day: ArrayLike<number>,
  byDay: Uint32Array,
  dated: readonly DatedRule[],
): number[] {
  return dated.slice(1).map((after, i) => {
    const before = dated[i]!;
    const some = within(
      day,
      byDay,
      Math.max(before.from + 1, after.from - coarse),
      Math.min(after.to, after.from + coarse + 1),
    );
    let [gain, best, at] = [0, 0, Math.max(before.from + 1, after.from - coarse)];
    for (let k = 0; k < some.length; k++) {
      const place = some[k]!;
      gain += Number(pays(before.rule, measured, place)) - Number(pays(after.rule, measured, place));
      const lastOfDay = k + 1 === some.length || day[some[k + 1]!] !== day[place];
      if (lastOfDay && gain > best) [best, at] = [gain, day[place]! + 1];
    }
    return at;
  });
}

/** Changes that one rule for both sides explains as well, but for what a change has to be worth, are none. */
function withoutNeedless(
  measured: Measured,
  day: ArrayLike<number>,
  byDay: Uint32Array,
  dated: readonly DatedRule[],
  penalty: number,
): DatedRule[] {
  const kept: DatedRule[] = [];
  for (const next of dated) {
    const last = kept.at(-1);
    if (!last) {
      kept.push(next);
      continue;
    }
    const rule = readRule(measured, within(day, byDay, last.from, next.to));
    const lost = last.rule.explained + next.rule.explained - rule.explained;
    if (sameRule(last.rule, next.rule) ? lost <= penalty : lost <= penalty / 2)
      kept[kept.length - 1] = { from: last.from, to: next.to, rule };
    else kept.push(next);
  }
  return kept;
}
