import { orderOfValue, type HypotheticalOrder } from '../cart/hypothetical-order.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import type { Situation } from '../evaluation/context.ts';
import { locate } from '../geography/postcode-regions/region-of-postcode.ts';
import { pricing, type Priceable } from '../evaluation/pricing.ts';
import { priceOptions, type PricedOption } from '../evaluation/price-options.ts';
import { paidFor } from '../options/price-before.ts';
import { lowestThat } from '../lowest-that.ts';
import { axisMeasures, axisReach, orderAt, type SweepAxis } from './axis.ts';
import { policyEdges } from './edges.ts';

/**
 * One stretch [from, to) of the axis on which every price comes about in the same way; `to` null is open. Prices on it
 * are level, or rise evenly from that at `from` to that at `last`, each rounded to its minor unit on the way.
 */
export interface SweepSegment {
  from: number;
  to: number | null;
  /** the last amount of the stretch, or as far as the sweep looks */
  last: number;
  /** in the zone's shown order; null where the option is not offered */
  options: (SweepPrice | null)[];
  /** offer/goal pairs in force and reached on this stretch, as `offerId/goalId` */
  reached: string[];
}

/** Minor units. */
export interface SweepPrice {
  before: number;
  after: number;
  /** the same at the end of the stretch */
  lastBefore: number;
  lastAfter: number;
}

export interface Sweep {
  zoneId: string;
  marketId: string;
  currency: string;
  axis: SweepAxis;
  optionIds: string[];
  segments: SweepSegment[];
}

/**
 * The exact piecewise function of option prices and goal states along an axis, for an order of ordinary goods in a
 * zone. Breakpoints come from the policy: first every edge that it states, then, where a price is cut off, capped or
 * overtaken between two of them, the exact amount at which the way it comes about changes. Nothing is sampled.
 *
 * Cost: breakpoints × log₂(axis) × options.
 *
 * @param order what is the same all along: one article without weight or size when not given
 */
export function sweepZone(
  zone: CompiledZone,
  axis: SweepAxis,
  situation: Situation,
  order: HypotheticalOrder = orderOfValue(0),
): Sweep {
  const rising = mayRise(zone, axis);
  const price = pricing(zone, situation);
  const known = new Map<number, PricedAt>();
  const walk = (at: number): PricedAt => {
    let priced = known.get(at);
    if (!priced) known.set(at, (priced = pricedAt(price(orderAt(axis, order, at)), rising ? [] : null)));
    return priced;
  };
  const { region } = locate(situation.destination).destination;
  const starts = [0, ...policyEdges({ zone, axis, order, region })];
  const points = rising
    ? starts.flatMap((start, index) => changesBetween(start, (starts[index + 1] ?? axisReach[axis]) - 1, walk))
    : starts;
  const goals = zone.offers.flatMap((offer) => offer.goals.map((goal) => `${offer.id}/${goal.id}`));
  const segments = points.map((from, index): SweepSegment => {
    const to = points[index + 1] ?? null;
    const last = to === null ? axisReach[axis] - 1 : to - 1;
    return segmentOver({ from, to, last }, walk(from), rising ? walk(last) : walk(from), goals);
  });
  return {
    zoneId: zone.id,
    marketId: zone.market.id,
    currency: zone.market.market.currency,
    axis,
    optionIds: zone.options.map((option) => option.id),
    segments: mergeLevel(segments),
  };
}

/** The segment that holds at an amount. */
export function segmentOf(sweep: Sweep, at: number): SweepSegment {
  let low = 0;
  let high = sweep.segments.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (sweep.segments[middle]!.from <= at) low = middle;
    else high = middle - 1;
  }
  return sweep.segments[low]!;
}

interface PricedAt {
  options: (Pick<SweepPrice, 'before' | 'after'> | null)[];
  /** goals in force and reached, counted through all offers of the zone */
  reached: number[];
  /** how the prices come about, to be compared; null where nobody compares */
  path: number[] | null;
}

function pricedAt({ context, reached }: Priceable, path: number[] | null): PricedAt {
  return { options: priceOptions(context, path).map(paidOf), reached, path };
}

const sameNumbers = (a: readonly number[], b: readonly number[]): boolean =>
  a.length === b.length && a.every((number, index) => number === b[index]);

/** Whether some price may rise between two edges of the policy; where none does, each stretch is level and its start tells all of it. */
export function mayRise({ options }: Pick<CompiledZone, 'options'>, axis: SweepAxis): boolean {
  return options.some(({ charge }) =>
    charge.lines.some(({ range, price }) => {
      const edges = price.edges(range);
      return edges !== null && edges.rises && axisMeasures[axis].includes(edges.measure);
    }),
  );
}

/** Whether prices come about in the same way, whatever they are. */
const sameWay = (a: PricedAt, b: PricedAt): boolean =>
  sameNumbers(a.reached, b.reached) &&
  sameNumbers(a.path ?? [], b.path ?? []) &&
  a.options.every((price, index) => (price === null) === (b.options[index] === null));

/** What is paid for an option before and after offers; null: it is not offered. */
export function paidOf(entry: PricedOption): Pick<SweepPrice, 'before' | 'after'> | null {
  return 'unavailable' in entry
    ? null
    : {
        before: paidFor(entry.before, entry.option.cashIncrement),
        after: paidFor(entry.after, entry.option.cashIncrement),
      };
}

/**
 * The starts of the stretches in [from, last] on which prices come about in one way. Between two edges of the policy
 * each price is a rising function of the amount, so a cut-off, cap or floor sets in once, and of two prices compared
 * one overtakes the other at most once: equal ways at both ends are equal ways in between.
 */
function changesBetween(from: number, last: number, walk: (at: number) => PricedAt): number[] {
  const starts = [from];
  const final = walk(last);
  let here = walk(from);
  while (!sameWay(here, final)) {
    const start = starts.at(-1)!;
    const unlike = here;
    const next = lowestThat((at) => !sameWay(walk(at), unlike), start, last);
    if (next === null) break;
    starts.push(next);
    here = walk(next);
  }
  return starts;
}

/** @param first what holds at the start, `end` at the last amount @param goals names of all goals of the zone */
function segmentOver(
  stretch: Pick<SweepSegment, 'from' | 'to' | 'last'>,
  first: PricedAt,
  end: PricedAt,
  goals: readonly string[],
): SweepSegment {
  const options = first.options.map((price, index): SweepPrice | null => {
    const atEnd = end.options[index];
    return price && atEnd ? { ...price, lastBefore: atEnd.before, lastAfter: atEnd.after } : null;
  });
  return { ...stretch, options, reached: first.reached.map((number) => goals[number]!) };
}

const isLevel = ({ options }: SweepSegment): boolean =>
  options.every((price) => price === null || (price.before === price.lastBefore && price.after === price.lastAfter));

function mergeLevel(segments: SweepSegment[]): SweepSegment[] {
  const merged: SweepSegment[] = [];
  for (const segment of segments) {
    const before = merged.at(-1);
    if (before && isLevel(before) && isLevel(segment) && sameContent(before, segment))
      Object.assign(before, { to: segment.to, last: segment.last });
    else merged.push({ ...segment });
  }
  return merged;
}

function sameContent(a: SweepSegment, b: SweepSegment): boolean {
  return (
    a.reached.length === b.reached.length &&
    a.reached.every((goal, index) => goal === b.reached[index]) &&
    a.options.every(
      (price, index) => price?.before === b.options[index]?.before && price?.after === b.options[index]?.after,
    )
  );
}
