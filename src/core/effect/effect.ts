import { orderOfValue } from '../cart/hypothetical-order.ts';
import { compilePolicy, type CompiledMarket, type CompiledPolicy } from '../evaluation/compile.ts';
import { lastOf } from '../in-steps.ts';
import { minorPerMajor } from '../money/currency.ts';
import { ordersBetween, valueAtShare, type Distribution } from '../orders/distribution.ts';
import { sharing } from '../policy/patch.ts';
import type { Destination, Policy } from '../policy/types.ts';
import { axisReach, type SweepAxis } from '../sweep/axis.ts';
import type { Difference } from './difference.ts';
import { momentsOf, timesOf } from '../evaluation/moments.ts';
import { placesToLookAt, type PlaceLookedAt, type PlacesAlike } from './places.ts';
import { shopperClasses, situationOf } from '../evaluation/shopper-classes.ts';
import type { ShopperClass } from '../conditions/shopper-class.ts';
import { unlikeBetween, zonesAlike } from './unlike.ts';
import { beyondOrdinary, otherAxes, saysTheSame, stretchesOf, type Stretch } from './stretches.ts';

/** What is otherwise for some shoppers somewhere, along a stretch of goods value. */
export interface EffectEntry {
  marketId: string;
  /** the zone that delivers there after, or before where none does any more */
  zoneId: string;
  /** the zone that delivered there before, where it is another; null: none did */
  movedFrom?: string | null;
  /** where it was looked at */
  destination: Destination;
  /** what a condition asks of the place, so that not all of the zone is like it */
  named: boolean;
  /** those for whom it is so */
  classes: readonly ShopperClass[];
  /** one for each state of dates and conditions on the moment in which it is so, this one first; ms since 1970-01-01T00:00Z */
  moments: readonly number[];
  /** whether it is so now, later, or at each moment that was looked at */
  when: 'always' | 'now' | 'later';
  /** along goods value in minor units, grams or pieces */
  axis: SweepAxis;
  /** the goods value of an order that is followed along another axis, minor units; null: along goods value */
  order: number | null;
  /** half-open; `to` null: open */
  from: number;
  to: number | null;
  /** at its start */
  differences: readonly Difference[];
  /** amounts are others further on */
  varies: boolean;
  /** of the market's past orders those in the stretch, and all; null: none are known */
  orders: { there: number; all: number } | null;
}

/** All that changes for shoppers between two policies. */
export interface Effect {
  /** what is paid before what is reached or only read; then those that concern most past orders first */
  entries: EffectEntry[];
  /** what could not be looked at, in words */
  notExamined: string[];
}

/** What an effect is worked out from. */
export interface EffectInput {
  was: Policy;
  is: Policy;
  /** ms since 1970-01-01T00:00Z */
  now: number;
  orders?: ReadonlyMap<string, Distribution>;
}

/** How many of all places have been looked at. */
export interface EffectProgress {
  done: number;
  all: number;
}

interface Compared {
  was: CompiledPolicy;
  is: CompiledPolicy;
  now: number;
  orders: ReadonlyMap<string, Distribution> | undefined;
}

/**
 * What changes for shoppers between two policies (2-domain §11): in every zone and between every two that something moves between,
 * for every kind of shopper that a condition of either tells apart, along goods value for an ordinary article; beside that at
 * places that conditions name, at other moments and along weight and pieces where what is otherwise looks at these.
 */
export const effectOf = (input: EffectInput): Effect => lastOf(effectInSteps(input));

/** The same, with a pause after each place. */
export function* effectInSteps({ was, is, now, orders }: EffectInput): Generator<EffectProgress, Effect> {
  const effect: Effect = { entries: [], notExamined: [] };
  const compared: Compared = { was: compilePolicy(was), is: compilePolicy(sharing(was, is)), now, orders };
  const places = placesToLookAt(compared.was, compared.is);
  for (const [index, alike] of places.entries()) {
    effectAt(alike, compared, effect);
    yield { done: index + 1, all: places.length };
  }
  const concerned = ({ orders }: EffectEntry) => orders?.there ?? 0;
  effect.entries.sort(
    (a, b) =>
      weight(a) - weight(b) || Number(a.when === 'later') - Number(b.when === 'later') || concerned(b) - concerned(a),
  );
  return effect;
}

const weights: Record<Difference['what'], number> = { option: 0, goal: 1, message: 2 };

/** What is paid and can be chosen before what is reached, and that before what is only read. */
const weight = ({ differences }: EffectEntry): number => Math.min(...differences.map(({ what }) => weights[what]));

/** A stretch, and for whom and when it is so. */
interface StretchFound {
  stretch: Stretch;
  at: Map<string, { shopperClass: ShopperClass; moments: number[] }>;
}

function effectAt([first, ...others]: PlacesAlike, compared: Compared, effect: Effect): void {
  const { before, after } = first;
  if (before && after && zonesAlike(before, after) && saysTheSame(before, after)) return;
  const zones = [before, after].filter((zone) => zone !== null);
  const { name } = (after ?? before)!.zone;
  const classes = shopperClasses(zones, compared.now);
  if (classes === null) {
    effect.notExamined.push(`What conditions ask for in “${name}” comes to too many kinds of shoppers.`);
    return;
  }
  const { moments, all } = momentsOf(timesOf(unlikeBetween(before, after)), compared.now);
  if (!all)
    effect.notExamined.push(`Dates and hours in “${name}” come to too many moments; the nearest were looked at.`);
  const known = stretchesAt(first, classes, moments, compared);
  const of = { place: first, named: false, moments: moments.length };
  effect.entries.push(...entriesOf(of, known, compared));
  for (const place of others) {
    const there = stretchesAt(place, classes, [compared.now], compared);
    for (const [key, { at }] of known) {
      for (const id of at.keys()) there.get(key)?.at.delete(id);
    }
    effect.entries.push(...entriesOf({ place, named: true, moments: 1 }, there, compared));
  }
}

/** What is otherwise at a place, by what and where along an axis it is. */
function stretchesAt(
  { destination, before, after }: PlaceLookedAt,
  classes: readonly ShopperClass[],
  moments: readonly number[],
  { now, orders }: Compared,
): Map<string, StretchFound> {
  const found = new Map<string, StretchFound>();
  const axes = otherAxes(before, after);
  const typical = typicalOrder((after ?? before)!.market, orders);
  for (const moment of moments) {
    for (const shopperClass of classes) {
      const situation = situationOf(shopperClass, destination, moment);
      const along = (axis: SweepAxis) => stretchesOf(before, after, situation, { axis, order: orderOfValue(typical) });
      const beside = moment === now ? axes.flatMap((axis) => beyondOrdinary(along(axis))) : [];
      for (const stretch of [...along('goodsValue'), ...beside]) {
        const key = JSON.stringify(stretch);
        let same = found.get(key);
        if (!same) found.set(key, (same = { stretch, at: new Map() }));
        const at = same.at.get(shopperClass.id);
        if (at) at.moments.push(moment);
        else same.at.set(shopperClass.id, { shopperClass, moments: [moment] });
      }
    }
  }
  return found;
}

/** What was found at a place as entries, those together for whom it is so at the same moments. @param moments how many were looked at */
function entriesOf(
  { place, named, moments }: { place: PlaceLookedAt; named: boolean; moments: number },
  found: ReadonlyMap<string, StretchFound>,
  { now, orders }: Compared,
): EffectEntry[] {
  const { destination, before, after } = place;
  const { id: zoneId, market } = (after ?? before)!;
  const distribution = orders?.get(market.id);
  return [...found.values()].flatMap(({ stretch, at }) => {
    const beside = stretch.axis !== 'goodsValue';
    // Of weights and pieces past orders are not counted here.
    const counted = beside ? undefined : distribution;
    const there = counted && ordersBetween(counted, stretch.from, stretch.to ?? axisReach.goodsValue);
    return together(at.values()).map((one): EffectEntry => ({
      ...stretch,
      ...one,
      when: whenOf(one.moments, { now, moments, beside }),
      marketId: market.id,
      zoneId,
      ...(before?.id === after?.id || !after ? {} : { movedFrom: before?.id ?? null }),
      destination,
      named,
      order: beside ? typicalOrder(market, orders) : null,
      orders: counted && there !== undefined ? { there, all: counted.orders } : null,
    }));
  });
}

/** Classes for which something is so at the same moments. */
function together(
  found: Iterable<{ shopperClass: ShopperClass; moments: number[] }>,
): { classes: ShopperClass[]; moments: number[] }[] {
  const groups = new Map<string, { classes: ShopperClass[]; moments: number[] }>();
  for (const { shopperClass, moments } of found) {
    const key = moments.join(' ');
    const group = groups.get(key);
    if (group) group.classes.push(shopperClass);
    else groups.set(key, { classes: [shopperClass], moments });
  }
  return [...groups.values()];
}

/** @param moments how many were looked at @param beside along a measure that is followed now only */
function whenOf(
  [first, ...later]: readonly number[],
  { now, moments, beside }: { now: number; moments: number; beside: boolean },
): EffectEntry['when'] {
  if (first !== now) return 'later';
  return beside || later.length + 1 === moments ? 'always' : 'now';
}

/** The goods value of an order that is followed along another measure: as half of past orders are, else of 50. Minor units. */
function typicalOrder({ id, market }: CompiledMarket, orders: Compared['orders']): number {
  const distribution = orders?.get(id);
  return distribution ? valueAtShare(distribution, 0.5) : 50 * minorPerMajor(market.currency);
}
