import { orderOfValue, type HypotheticalOrder } from '../cart/hypothetical-order.ts';
import {
  compilePolicy,
  sameRules,
  type CompiledMarket,
  type CompiledPolicy,
  type CompiledZone,
} from '../evaluation/compile.ts';
import type { Situation } from '../evaluation/context.ts';
import { evaluateHypothetical } from '../evaluation/evaluate.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { findZone } from '../evaluation/find-zone.ts';
import { normalPostcode } from '../geography/postcode.ts';
import { lowestThat } from '../lowest-that.ts';
import { percentOf } from '../money/rounding.ts';
import { ordersBetween, valueAtShare, type Distribution } from '../orders/distribution.ts';
import type { Destination } from '../policy/types.ts';
import { minorPerMajor } from '../money/currency.ts';
import { axisReach, orderAt, type SweepAxis } from '../sweep/axis.ts';
import { policyEdges } from '../sweep/edges.ts';
import { mayRise, sweepZone } from '../sweep/sweep.ts';
import { same } from '../same.ts';
import { placeIds, type Place } from '../wording/places.ts';
import { renderLead, type RenderedMessage } from '../wording/render.ts';
import { somewhereIn } from '../check-up/example-cart.ts';
import { differencesOf, readOf, type Difference } from './difference.ts';
import { shopperClasses, type ShopperClass } from './shopper-class.ts';

/** What is otherwise for some shoppers somewhere, along a stretch of goods value. */
export interface EffectEntry {
  marketId: string;
  zoneId: string;
  /** where it was looked at */
  destination: Destination;
  /** those for whom it is so */
  classes: readonly ShopperClass[];
  /** along goods value in minor units, grams or pieces */
  axis: SweepAxis;
  /** the goods value of an order that is followed along another axis, minor units; null: along goods value */
  order: number | null;
  /** half-open; `to` null: open */
  from: number;
  to: number | null;
  /** at its start */
  differences: readonly Difference[];
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
  was: CompiledPolicy;
  is: CompiledPolicy;
  /** ms since 1970-01-01T00:00Z */
  now: number;
  orders?: ReadonlyMap<string, Distribution>;
}

/**
 * What changes for shoppers between two policies (2-domain §11): in every zone, for every kind of shopper that a condition of
 * either tells apart, along goods value for an ordinary article.
 */
export function effectOf(input: EffectInput): Effect {
  const effect: Effect = { entries: [], notExamined: [] };
  const seen = new Set<string>();
  for (const policy of [input.is, input.was]) {
    for (const market of policy.markets.values()) {
      for (const zone of market.zones) {
        if (seen.has(zone.id)) continue;
        seen.add(zone.id);
        const destination = somewhereIn(policy, zone);
        if (destination) effectIn(destination, zone, market, input, effect);
      }
    }
  }
  const concerned = ({ orders }: EffectEntry) => orders?.there ?? 0;
  effect.entries.sort((a, b) => weight(a) - weight(b) || concerned(b) - concerned(a));
  return effect;
}

const weights: Record<Difference['what'], number> = { option: 0, goal: 1, message: 2 };

/** What is paid and can be chosen before what is reached, and that before what is only read. */
const weight = ({ differences }: EffectEntry): number => Math.min(...differences.map(({ what }) => weights[what]));

function effectIn(
  destination: Destination,
  named: CompiledZone,
  market: CompiledMarket,
  { was, is, now, orders }: EffectInput,
  effect: Effect,
): void {
  const [before, after] = [zoneAt(was, destination), zoneAt(is, destination)];
  if (before && after && sameRules(before, after) && saysTheSame(before, after)) return;
  const zones = [before, after].filter((zone) => zone !== null);
  const classes = shopperClasses(zones, now);
  if (classes === null) {
    effect.notExamined.push(`What conditions ask for in “${named.zone.name}” comes to too many kinds of shoppers.`);
    return;
  }
  const found = new Map<string, Stretch & { classes: ShopperClass[] }>();
  const distribution = orders?.get(market.id);
  const typical = distribution ? valueAtShare(distribution, 0.5) : 50 * minorPerMajor(market.market.currency);
  for (const one of classes) {
    const situation = situationOf(one, destination, now);
    const along = (axis: SweepAxis) => stretchesOf(before, after, situation, { axis, order: orderOfValue(typical) });
    for (const stretch of [...along('goodsValue'), ...otherAxes(zones).flatMap((axis) => beyondFirst(along(axis)))]) {
      const key = JSON.stringify(stretch);
      const same = found.get(key);
      if (same) same.classes.push(one);
      else found.set(key, { ...stretch, classes: [one] });
    }
  }
  for (const stretch of found.values()) {
    // Of weights and pieces past orders are not counted here.
    const counted = stretch.axis === 'goodsValue' ? distribution : undefined;
    const there = counted && ordersBetween(counted, stretch.from, stretch.to ?? axisReach.goodsValue);
    effect.entries.push({
      ...stretch,
      marketId: market.id,
      zoneId: named.id,
      destination,
      order: stretch.axis === 'goodsValue' ? null : typical,
      orders: counted && there !== undefined ? { there, all: counted.orders } : null,
    });
  }
}

function zoneAt(policy: CompiledPolicy, destination: Destination): CompiledZone | null {
  const found = findZone(policy, destination, normalPostcode(destination.postcode));
  return found.found ? found.zone : null;
}

/** Somebody of a class, there and then. */
export const situationOf = (
  { shopper, codes, channel }: ShopperClass,
  destination: Destination,
  instant: number,
): Situation => ({
  destination,
  instant,
  shopper,
  ...(codes.length > 0 ? { codes } : {}),
  ...(channel === undefined ? {} : { channel }),
});

/** Along what an order is followed, all else as in `order`. */
export interface Along {
  axis: SweepAxis;
  order: HypotheticalOrder;
}

/** Measures beside goods value that something in some zones looks at. */
function otherAxes(zones: readonly CompiledZone[]): SweepAxis[] {
  const order = orderOfValue(0);
  return (['weight', 'items'] as const).filter((axis) =>
    zones.some((zone) => mayRise(zone, axis) || policyEdges({ zone, axis, order, region: undefined }).length > 1),
  );
}

/** Stretches that differ otherwise than an order of the lowest measure does: what holds for that is said along goods value. */
function beyondFirst(stretches: readonly Stretch[]): Stretch[] {
  const first = stretches.find(({ from }) => from <= 1);
  return stretches.filter((stretch) => !first || !same(stretch.differences, first.differences));
}

interface Stretch {
  axis: SweepAxis;
  from: number;
  to: number | null;
  differences: Difference[];
}

/** The stretches of an axis on which something differs, those next to each other that differ in the same as one. */
function stretchesOf(
  before: CompiledZone | null,
  after: CompiledZone | null,
  situation: Situation,
  along: Along,
): Stretch[] {
  const { axis } = along;
  const starts = [...new Set([before, after].flatMap((zone) => startsOf(zone, situation, along)))].sort(
    (a, b) => a - b,
  );
  const rises = [before, after].some((zone) => zone !== null && mayRise(zone, axis));
  const differing = (value: number) => differencesAt(before, after, value, situation, along);
  const stretches: Stretch[] = [];
  for (const [index, start] of starts.entries()) {
    const to = starts[index + 1] ?? null;
    const from = rises ? firstThatDiffers(start, (to ?? axisReach[axis]) - 1, differing) : start;
    const differences = from === null ? [] : differing(from);
    if (from === null || differences.length === 0) continue;
    const last = stretches.at(-1);
    if (last?.to === from && JSON.stringify(last.differences) === JSON.stringify(differences)) last.to = to;
    else stretches.push({ axis, from, to, differences });
  }
  return stretches;
}

/** Where two prices that rise begin to differ on a stretch: at its start, or on the way to its end; null: nowhere. */
function firstThatDiffers(start: number, last: number, differing: (value: number) => Difference[]): number | null {
  if (differing(start).length > 0) return start;
  return lowestThat((value) => differing(value).length > 0, start, last);
}

/** What an ordinary order differs in, between two zones, at a place of an axis; null: nobody delivers there. */
export function differencesAt(
  before: CompiledZone | null,
  after: CompiledZone | null,
  value: number,
  situation: Situation,
  { axis, order }: Along = { axis: 'goodsValue', order: orderOfValue(0) },
): Difference[] {
  const at = (zone: CompiledZone | null) => zone && evaluateHypothetical(zone, orderAt(axis, order, value), situation);
  const [was, is] = [at(before), at(after)];
  return [...differencesOf(was, is), ...readDifferently(before, was, after, is)];
}

/** The first place and language of the market in which another text is read; a text is worked out only where it may differ. */
function readDifferently(
  before: CompiledZone | null,
  was: Evaluation | null,
  after: CompiledZone | null,
  is: Evaluation | null,
): Difference[] {
  if (before && after && was && is && saysTheSame(before, after) && same(was.speakers, is.speakers)) return [];
  const languages = new Set([before, after].flatMap((zone) => zone?.market.market.languages ?? []));
  for (const language of languages) {
    for (const place of placeIds) {
      const [old, now] = [readIn(before, was, place, language), readIn(after, is, place, language)];
      if (old?.text === now?.text) continue;
      return [{ what: 'message', was: old && readOf(old.message), is: now && readOf(now.message) }];
    }
  }
  return [];
}

/** Whether the same speakers read the same in both. */
const saysTheSame = (before: CompiledZone, after: CompiledZone): boolean =>
  before.policy.look === after.policy.look &&
  before.market.market === after.market.market &&
  [...before.offers, ...before.notices, ...after.offers, ...after.notices].every(
    ({ id }) => before.policy.wording[id] === after.policy.wording[id],
  );

const readIn = (
  zone: CompiledZone | null,
  evaluation: Evaluation | null,
  place: Place,
  language: string,
): RenderedMessage | null =>
  zone && evaluation ? renderLead(compilePolicy(zone.policy), evaluation, place, language) : null;

/** Every place of an axis at which something begins in a zone: a price, a goal, or being nearly there. */
function startsOf(zone: CompiledZone | null, situation: Situation, { axis, order }: Along): number[] {
  if (!zone) return [0];
  const { segments } = sweepZone(zone, axis, situation, order);
  const nearly = zone.offers.flatMap(({ nearly: near, goals }) =>
    goals.flatMap(({ target }) => {
      if (near === null || target === null) return [];
      const within = 'amount' in near ? near.amount : percentOf(target, near.share);
      return [target - within - 1, target - within, target - within + 1].filter((value) => value > 0);
    }),
  );
  return [...segments.map(({ from }) => from), ...nearly];
}
