import { orderOfValue, type HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { anybody, type ShopperClass } from '../conditions/shopper-class.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import type { Situation } from '../evaluation/context.ts';
import { evaluateOrder } from '../evaluation/evaluate-order.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { priceOptions } from '../evaluation/price-options.ts';
import { pricing } from '../evaluation/pricing.ts';
import { situationOf } from '../evaluation/shopper-classes.ts';
import { locate } from '../geography/postcode-regions/region-of-postcode.ts';
import type { Destination } from '../policy/types.ts';
import { policyEdges, spokenEdges } from '../sweep/edges.ts';
import { mayRise, paidOf, sweepZone } from '../sweep/sweep.ts';

/** A stretch of goods value on which a guarantee’s condition holds; minor units, both ends in. */
export interface Stretch {
  from: number;
  last: number;
}

/** What is paid for each option of a zone, in shown order, minor units; null where it cannot be chosen. */
export type Prices = readonly ({ before: number; after: number } | null)[];

/** Somebody somewhere at some moment, along goods value with a weight and pieces. */
export interface Along {
  zone: CompiledZone;
  destination: Destination;
  shopperClass: ShopperClass;
  situation: Situation;
  /** all but the goods value */
  order: HypotheticalOrder;
  /** amounts at which something begins, ascending from 0, minor units */
  starts: readonly number[];
  pricesAt: (value: number) => Prices;
  /** what an order of that value is offered and told */
  evaluationAt: (value: number) => Evaluation;
  /** the same for a guest in the same place */
  guest: () => Along;
  /** all of it in stretches, once somebody has asked for that */
  whole: Stretch[] | null;
}

/** So much is kept at most of each zone, and of each look at one; what is more is worked out again. */
const mostKept = 600;

const kept = new WeakMap<CompiledZone, Map<string, Along>>();

/** Prepared once for all guarantees that look there. */
export function alongIn(
  zone: CompiledZone,
  destination: Destination,
  shopperClass: ShopperClass,
  at: { instant: number; weight: number; items: number },
): Along {
  let known = kept.get(zone);
  if (!known) kept.set(zone, (known = new Map()));
  const key = JSON.stringify([shopperClass.id, at, destination]);
  let along = known.get(key);
  if (!along) {
    if (known.size >= mostKept) known.clear();
    known.set(key, (along = prepared(zone, destination, shopperClass, at)));
  }
  return along;
}

function prepared(
  zone: CompiledZone,
  destination: Destination,
  shopperClass: ShopperClass,
  at: { instant: number; weight: number; items: number },
): Along {
  const situation = situationOf(shopperClass, destination, at.instant);
  const order: HypotheticalOrder = { ...orderOfValue(0), weight: at.weight, items: at.items };
  const price = pricing(zone, situation);
  const known = new Map<number, Prices>();
  const evaluations = new Map<number, Evaluation>();
  const along: Along = {
    zone,
    destination,
    shopperClass,
    situation,
    order,
    starts: startsIn(zone, situation, order),
    pricesAt: (value) => {
      let prices = known.get(value);
      if (!prices) {
        prices = priceOptions(price({ ...order, value }).context, null).map(paidOf);
        if (known.size < mostKept) known.set(value, prices);
      }
      return prices;
    },
    whole: null,
    evaluationAt: (value) => {
      let evaluation = evaluations.get(value);
      if (!evaluation) {
        evaluation = evaluateOrder(zone, { ...order, value }, situation);
        if (evaluations.size < mostKept) evaluations.set(value, evaluation);
      }
      return evaluation;
    },
    guest: () => (shopperClass.id === anybody.id ? along : alongIn(zone, destination, anybody, at)),
  };
  return along;
}

const startsKnown = new WeakMap<CompiledZone, Map<string, readonly number[]>>();

/** Where prices and what is read may change: of prices that stay between two edges of the rules the edges alone, else the whole sweep. */
function startsIn(zone: CompiledZone, situation: Situation, order: HypotheticalOrder): readonly number[] {
  const { region } = locate(situation.destination).destination;
  const along = { zone, axis: 'goodsValue' as const, order, region };
  if (mayRise(zone, along.axis)) {
    const { segments } = sweepZone(zone, along.axis, situation, order);
    return ascending([...segments.map(({ from }) => from), ...spokenEdges(along)]);
  }
  let known = startsKnown.get(zone);
  if (!known) startsKnown.set(zone, (known = new Map()));
  const key = JSON.stringify([region, order.weight, order.items]);
  let starts = known.get(key);
  if (!starts) known.set(key, (starts = ascending([0, ...policyEdges(along), ...spokenEdges(along)])));
  return starts;
}

const ascending = (amounts: readonly number[]): number[] => [...new Set(amounts)].sort((a, b) => a - b);
