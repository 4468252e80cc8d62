import { formatMoney } from '../../../money/format.ts';
import { segmentOf, type Sweep } from '../../../sweep/sweep.ts';
import { guestSweep, type GuestSweep } from '../../guest-sweep.ts';
import type { FindingKind } from '../../kind.ts';
import { zonesOf } from '../../zones-of.ts';

/** An order value whose delivery costs more than that of two orders which come to it together, after offers. */
export const cheaperApart: FindingKind = {
  kind: 'cheaperApart',
  called: 'orders that are cheaper apart',
  stop: 'delivery',
  find: (examined) =>
    zonesOf(examined.compiled).flatMap((zone) => {
      const swept = guestSweep(examined, zone);
      const split = swept && splitOf(swept);
      if (!split) return [];
      const money = (minor: number) => formatMoney(minor, zone.market.market.currency, examined.locale);
      const [one, other] = split.parts;
      return [
        {
          severity: 'remark' as const,
          at: `/zones/${zone.id}`,
          marketId: zone.market.id,
          sentence: `In “${zone.zone.name}” delivery of an order of ${money(split.value)} costs ${money(split.price)}; ordered apart as ${money(one)} and ${money(other)} it costs ${money(split.apart)}.`,
          example: null,
          remedy: null,
        },
      ];
    }),
};

interface Split {
  value: number;
  price: number;
  parts: [number, number];
  /** what both parts cost together */
  apart: number;
}

const known = new WeakMap<GuestSweep, Split | null>();

function splitOf(swept: GuestSweep): Split | null {
  let split = known.get(swept);
  if (split === undefined) known.set(swept, (split = cheapestSplit(swept.sweep)));
  return split;
}

/** Beyond so many stretches only the first are looked at. */
const mostStretches = 100;

/** The split that saves most. Where prices are level or rise evenly it is at the beginning or end of a stretch. */
function cheapestSplit(sweep: Sweep): Split | null {
  const segments = sweep.segments.slice(0, mostStretches);
  const ends = segments.flatMap(({ from, last }) => [from, last]);
  let best: Split | null = null;
  for (const { from: value } of segments) {
    const price = cheapestAt(sweep, value);
    if (price === null || price === 0) continue;
    for (const end of ends) {
      if (end < 1 || end >= value) continue;
      const parts: [number, number] = [Math.max(end, value - end), Math.min(end, value - end)];
      const [one, other] = parts.map((part) => cheapestAt(sweep, part));
      if (one === null || one === undefined || other === null || other === undefined) continue;
      const saved = price - one - other;
      if (saved > 0 && saved > (best ? best.price - best.apart : 0)) best = { value, price, parts, apart: one + other };
    }
  }
  return best;
}

/** The lowest price after offers, on the way between the ends of its stretch; null where nothing is offered. */
function cheapestAt(sweep: Sweep, value: number): number | null {
  const { from, last, options } = segmentOf(sweep, value);
  const share = last === from ? 0 : (value - from) / (last - from);
  const prices = options.flatMap((price) =>
    price ? [Math.round(price.after + (price.lastAfter - price.after) * share)] : [],
  );
  return prices.length > 0 ? Math.min(...prices) : null;
}
