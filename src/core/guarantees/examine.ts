import { orderOfValue } from '../cart/hypothetical-order.ts';
import { compileCondition, type CompiledCondition } from '../conditions/compile-condition.ts';
import { treeOf } from '../conditions/condition-region.ts';
import { placesAsked } from '../conditions/places-asked.ts';
import { anybody, classesOf, type ShopperClass } from '../conditions/shopper-class.ts';
import type { CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import { factsIn, hypotheticalCart, locatedSituation } from '../evaluation/context.ts';
import { findZone } from '../evaluation/find-zone.ts';
import { momentsOf } from '../evaluation/moments.ts';
import { classesOfZone } from '../evaluation/shopper-classes.ts';
import { normalPostcode } from '../geography/postcode.ts';
import type { Destination, Guarantee } from '../policy/types.ts';
import { edgesOfCondition, policyEdges } from '../sweep/edges.ts';
import { mayRise } from '../sweep/sweep.ts';
import { alongIn, type Along, type Stretch } from './look.ts';

/** What the largest orders come to that are looked at, unless the rules themselves name more. */
export interface Plausible {
  /** from the cheapest that is sold, minor units of the market */
  least: number;
  value: number;
  /** grams */
  weight: number;
  items: number;
}

/** Somebody for whom a guarantee is to hold, with the goods values at which its condition does. */
export interface LookedAt {
  along: Along;
  stretches: Stretch[];
}

/** Why a zone could not be looked at whole. */
export interface NotLooked {
  because: string;
}

/** So many weights and counts of pieces at most are looked at in a zone. */
const mostGoods = 60;

/**
 * For whom, where, when and with which goods a guarantee is looked at in a zone: every kind of shopper that its own condition or
 * one of the zone tells apart; places and moments that its condition names, and the beginnings and ends of what is offered there
 * that lie ahead; along goods value whole, and for guests and those whom it names at each weight and count of pieces at which
 * prices change otherwise than by rising, one at a time.
 *
 * @param place somewhere in the zone @param now ms since 1970-01-01T00:00Z
 */
export function lookedAtIn(
  zone: CompiledZone,
  { when }: Pick<Guarantee, 'when'>,
  {
    compiled,
    place,
    now,
    plausible,
  }: { compiled: CompiledPolicy; place: Destination; now: number; plausible: Plausible },
): LookedAt[] | NotLooked {
  const { qualifiers } = zone.policy;
  const { terms } = zone.market;
  const own = when ? classesOf(when, qualifiers, terms, now) : [anybody];
  const all = classesOfZone(zone, now);
  if (!own || !all) return { because: `In “${zone.zone.name}” conditions come to too many kinds of shoppers.` };
  const condition = when ? compileCondition(when, qualifiers, terms) : null;
  // Where it names shoppers itself, it is about them alone.
  const named = own.every(({ id }) => id !== anybody.id);
  const classes = named ? own : [...all, ...own.filter(({ id }) => all.every((one) => one.id !== id))];
  const times = {
    spans: [...zone.options, ...zone.offers].map(({ span }) => span),
    trees: when ? [treeOf(when, qualifiers, terms)] : [],
  };
  const { moments, all: allMoments } = momentsOf(times, now);
  if (!allMoments) return { because: `In “${zone.zone.name}” dates and hours come to too many moments.` };
  const places = when ? placesAsked([when], qualifiers, place).filter((one) => isIn(zone, one, compiled)) : [];
  const goods = goodsIn(zone, condition, plausible);
  if (goods.length > mostGoods)
    return { because: `In “${zone.zone.name}” prices change at too many weights or counts of pieces.` };
  const found: LookedAt[] = [];
  const look = (
    destination: Destination,
    shopperClass: ShopperClass,
    instant: number,
    weight: number,
    items: number,
  ) => {
    const along = alongIn(zone, destination, shopperClass, { instant, weight, items });
    const stretches = stretchesOf(along, condition, plausible);
    if (stretches.length > 0) found.push({ along, stretches });
  };
  for (const shopperClass of classes) look(place, shopperClass, now, 0, 1);
  for (const shopperClass of own) {
    for (const { weight, items } of goods) look(place, shopperClass, now, weight, items);
    for (const destination of places) look(destination, shopperClass, now, 0, 1);
    for (const instant of moments.slice(1)) look(place, shopperClass, instant, 0, 1);
  }
  return found;
}

const isIn = (zone: CompiledZone, place: Destination, compiled: CompiledPolicy): boolean => {
  const found = findZone(compiled, place, normalPostcode(place.postcode));
  return found.found && found.zone.id === zone.id;
};

const edgesKnown = new WeakMap<CompiledZone, Map<string, readonly number[]>>();

/** Where along weight or pieces the rules of a zone change something; kept for all guarantees. */
function edgesIn(zone: CompiledZone, axis: 'weight' | 'items'): readonly number[] {
  let known = edgesKnown.get(zone);
  if (!known) edgesKnown.set(zone, (known = new Map()));
  let edges = known.get(axis);
  if (!edges) known.set(axis, (edges = policyEdges(alongOf(zone, axis))));
  return edges;
}

/** Without what prices that rise are made up of: between two edges each rises or stays. */
const alongOf = (zone: CompiledZone, axis: 'weight' | 'items') => ({
  zone,
  axis,
  order: orderOfValue(0),
  region: undefined,
  withoutSteps: true,
});

/** Weights of one piece, and counts of pieces without weight, at which prices or the condition may change; to either side of each. */
function goodsIn(
  zone: CompiledZone,
  condition: CompiledCondition | null,
  plausible: Plausible,
): { weight: number; items: number }[] {
  const along = (axis: 'weight' | 'items', top: number): number[] => {
    const edges = [...edgesIn(zone, axis), ...edgesOfCondition(condition, alongOf(zone, axis))];
    const ends = edges.flatMap((edge) => [edge - 1, edge]);
    const beyond = mayRise(zone, axis) || condition !== null ? [Math.max(top, ...edges)] : [];
    return [...new Set([...ends, ...beyond])];
  };
  return [
    ...along('weight', plausible.weight)
      .filter((weight) => weight > 0)
      .map((weight) => ({ weight, items: 1 })),
    ...along('items', plausible.items)
      .filter((items) => items > 1)
      .map((items) => ({ weight: 0, items })),
  ];
}

/** Where along goods value the condition holds, up to what an order plausibly comes to. */
function stretchesOf(along: Along, condition: CompiledCondition | null, plausible: Plausible): Stretch[] {
  if (condition === null) return (along.whole ??= stretchesWhere(along, null, plausible));
  return stretchesWhere(along, condition, plausible);
}

function stretchesWhere(along: Along, condition: CompiledCondition | null, plausible: Plausible): Stretch[] {
  const { zone, order } = along;
  const { situation, postcode } = locatedSituation(along.situation);
  const region = situation.destination.region;
  const edges = edgesOfCondition(condition, { zone, axis: 'goodsValue', order, region });
  const least = Math.min(plausible.least, along.starts.at(-1) ?? 0);
  const starts = [...new Set([least, ...along.starts, ...edges])]
    .filter((start) => start >= least)
    .sort((a, b) => a - b);
  const top = Math.max(plausible.value, starts.at(-1) ?? 0);
  const holds = (value: number): boolean =>
    condition === null ||
    condition.holds(factsIn(zone, hypotheticalCart(zone, { ...order, value }, situation), postcode, situation));
  return starts.flatMap((from, index) => (holds(from) ? [{ from, last: (starts[index + 1] ?? top + 1) - 1 }] : []));
}
