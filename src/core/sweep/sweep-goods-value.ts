import { measuresOfValue, type ChargedMeasures } from '../cart/measures.ts';
import { chargeBreakpoints } from '../charges/charge.ts';
import { partsOfPrice } from '../charges/price-before.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import { rewardedPrice } from '../offers/reward.ts';

/** One stretch [from, to) of goods value on which nothing changes; `to` null is open. Minor units. */
export interface SweepSegment {
  from: number;
  to: number | null;
  /** in the zone's shown order; null where the option is not offered */
  options: (SweepPrice | null)[];
  /** offer/goal pairs reached on this stretch, as `offerId/goalId` */
  reached: string[];
}

export interface SweepPrice {
  before: number;
  after: number;
}

export interface Sweep {
  zoneId: string;
  marketId: string;
  currency: string;
  optionIds: string[];
  segments: SweepSegment[];
}

/**
 * The exact piecewise function of option prices and goal states along goods value, for an order of ordinary goods in
 * a zone. Breakpoints come from the policy: step edges and goals; nothing is sampled. Cost: breakpoints × options.
 *
 * @param charged what the order weighs and fills, the same all along the line
 */
export function sweepGoodsValue(zone: CompiledZone, charged?: ChargedMeasures): Sweep {
  const points = new Set<number>([0]);
  for (const option of zone.options) for (const point of chargeBreakpoints(option.charge)) points.add(point);
  for (const offer of zone.offers) for (const goal of offer.goals) points.add(goal.target);
  const from = [...points].sort((a, b) => a - b);
  return {
    zoneId: zone.id,
    marketId: zone.market.id,
    currency: zone.market.market.currency,
    optionIds: zone.options.map((option) => option.id),
    segments: mergeEqual(from.map((start, index) => segmentAt(zone, start, from[index + 1] ?? null, charged))),
  };
}

/** The segment that holds at a goods value. */
export function segmentOf(sweep: Sweep, value: number): SweepSegment {
  let low = 0;
  let high = sweep.segments.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (sweep.segments[middle]!.from <= value) low = middle;
    else high = middle - 1;
  }
  return sweep.segments[low]!;
}

function segmentAt(zone: CompiledZone, from: number, to: number | null, charged: ChargedMeasures | undefined): SweepSegment {
  const measures = measuresOfValue(from, charged);
  return {
    from,
    to,
    options: zone.options.map((option) => {
      const parts = partsOfPrice(option, measures);
      if (!parts) return null;
      return { before: parts.base + parts.own, after: rewardedPrice(option.id, parts.base, parts.own, zone.offers, measures).price };
    }),
    reached: zone.offers.flatMap((offer) => offer.goals.filter((goal) => from >= goal.target).map((goal) => `${offer.id}/${goal.id}`)),
  };
}

function mergeEqual(segments: SweepSegment[]): SweepSegment[] {
  const merged: SweepSegment[] = [];
  for (const segment of segments) {
    const last = merged.at(-1);
    if (last && sameContent(last, segment)) last.to = segment.to;
    else merged.push({ ...segment });
  }
  return merged;
}

function sameContent(a: SweepSegment, b: SweepSegment): boolean {
  return (
    a.reached.length === b.reached.length &&
    a.reached.every((id, index) => id === b.reached[index]) &&
    a.options.every((price, index) => price?.before === b.options[index]?.before && price?.after === b.options[index]?.after)
  );
}
