import { orderOfValue } from '../../cart/hypothetical-order.ts';
import { anybody } from '../../conditions/shopper-class.ts';
import type { CompiledZone } from '../../evaluation/compile.ts';
import type { Situation } from '../../evaluation/context.ts';
import { situationOf } from '../../evaluation/shopper-classes.ts';
import type { CompiledReward } from '../../offers/reward.ts';
import type { Charge, Destination } from '../../policy/types.ts';
import { axisReach, type SweepAxis } from '../../sweep/axis.ts';
import { sweepZone, type Sweep, type SweepSegment } from '../../sweep/sweep.ts';
import type { Stretch } from '../words/charge-in-words.ts';

/** What delivery costs on a stretch of orders: an amount in minor units, not at all, or what the charge says and what comes off it. */
export type RowPrice = { amount: number } | { offered: false } | { charge: true; less: readonly CompiledReward[] };

/** What an option costs some orders; those that no stretch is named for, all. */
export interface PriceRow {
  stretches: readonly Stretch[];
  price: RowPrice;
}

/** Rates that stand for those of carriers, of which it matters only that they are something. Minor units */
const someQuote = 1000;

/** Looks at what everybody is charged in a zone of a standing policy. */
export class ZonePrices {
  readonly #zone: CompiledZone;
  readonly #situation: Situation;
  readonly #known = new Map<string, Sweep>();
  readonly #rows = new Map<number, PriceRow[]>();

  /** @param instant ms since 1970-01-01T00:00Z; nothing here rests on it */
  constructor(zone: CompiledZone, destination: Destination, instant: number) {
    this.#zone = zone;
    this.#situation = {
      ...situationOf(anybody, destination, instant),
      quotes: Object.fromEntries([...zone.asked.keys()].map((key) => [key, someQuote])),
    };
  }

  /** @param index of the option among those of the zone */
  rowsOf(index: number): readonly PriceRow[] {
    let rows = this.#rows.get(index);
    if (!rows) this.#rows.set(index, (rows = this.#lookAt(index)));
    return rows;
  }

  #lookAt(index: number): PriceRow[] {
    const { option } = this.#zone.options[index]!;
    const second = secondAxis(option.charge);
    return second === undefined ? this.#charged(index) : this.#grid(index, second, edgesOf(option.charge, second));
  }

  /** What is charged along goods value for an order of ordinary goods, without weight. */
  get alongValue(): Sweep {
    return this.#along(null, 0);
  }

  /** The least that an option costs some order before offers, as far as goods value, weight or pieces decide; null: it is never offered. */
  leastOf(index: number): number | null {
    const sweeps = [
      this.alongValue,
      sweepZone(this.#zone, 'weight', this.#situation, orderOfValue(1)),
      sweepZone(this.#zone, 'items', this.#situation, orderOfValue(1)),
    ];
    const prices = sweeps
      .flatMap(({ segments }) => segments.flatMap(({ options }) => options[index] ?? []))
      .flatMap(({ before, lastBefore }) => [before, lastBefore]);
    return prices.length > 0 ? Math.min(...prices) : null;
  }

  #along(axis: SweepAxis | null, at: number): Sweep {
    const key = axis === null ? '' : `${axis} ${at}`;
    let sweep = this.#known.get(key);
    if (!sweep) {
      const order = axis === null ? orderOfValue(0) : { ...orderOfValue(0), [axis]: at };
      this.#known.set(key, (sweep = sweepZone(this.#zone, 'goodsValue', this.#situation, order)));
    }
    return sweep;
  }

  /** Every price as an amount, by goods value and at most one measure besides. */
  #grid(index: number, second: SweepAxis | null, starts: readonly number[]): PriceRow[] {
    const columns = starts.map((start) => this.#along(second, start).segments);
    const froms = [...new Set(columns.flatMap((segments) => segments.map(({ from }) => from)))].sort((a, b) => a - b);
    const priced = froms.map((from) =>
      columns.map((segments) => segmentAt(segments, from).options[index]?.after ?? null),
    );
    const rows: PriceRow[] = [];
    for (const { from, to, value } of merged(froms, priced)) {
      const goods: Stretch[] = from === 0 && to === null ? [] : [{ measure: 'goodsValue', from, to }];
      for (const part of merged(starts, value))
        rows.push({
          stretches:
            second === null || second === 'goodsValue' || (part.from === 0 && part.to === null)
              ? goods
              : [...goods, { measure: second, from: part.from, to: part.to }],
          price: part.value === null ? { offered: false } : { amount: part.value },
        });
    }
    return rows;
  }

  /** The charge in words, and what rewards make of it from some goods value on. */
  #charged(index: number): PriceRow[] {
    const { segments } = this.alongValue;
    const prices = segments.map((segment) => this.#priceOn(segment, index));
    return merged(
      segments.map(({ from }) => from),
      prices,
    ).map(({ from, to, value }) => ({
      stretches: from === 0 && to === null ? [] : [{ measure: 'goodsValue', from, to }],
      price: value,
    }));
  }

  #priceOn({ options, reached }: SweepSegment, index: number): RowPrice {
    const { id } = this.#zone.options[index]!;
    const price = options[index];
    const rewards = this.#zone.offers
      .flatMap(({ id: offerId, goals }) => goals.filter((goal) => reached.includes(`${offerId}/${goal.id}`)))
      .flatMap((goal) => goal.rewards)
      .filter((reward) => reward.acts === 'onDelivery' && reward.options.has(id));
    if (!price || price.before === price.after) return { charge: true, less: [] };
    if (price.after === 0 && price.lastAfter === 0 && rewards.some((reward) => 'isFree' in reward && reward.isFree))
      return { amount: 0 };
    if (price.after === price.lastAfter && rewards.some(({ kind }) => kind === 'deliveryAt'))
      return { amount: price.after };
    return { charge: true, less: rewards };
  }
}

function segmentAt(segments: readonly SweepSegment[], at: number): SweepSegment {
  let found = segments[0]!;
  for (const segment of segments) if (segment.from <= at) found = segment;
  return found;
}

/** Neighbours that are the same, as one. */
function merged<T>(froms: readonly number[], values: readonly T[]): { from: number; to: number | null; value: T }[] {
  const parts: { from: number; to: number | null; value: T }[] = [];
  for (const [index, from] of froms.entries()) {
    const value = values[index]!;
    const last = parts.at(-1);
    if (last && sameValue(last.value, value)) continue;
    if (last) last.to = from;
    parts.push({ from, to: null, value });
  }
  return parts;
}

const sameValue = (a: unknown, b: unknown): boolean => JSON.stringify(a, onlyIds) === JSON.stringify(b, onlyIds);
/** A reward is the same by its id, and holds functions. */
const onlyIds = (key: string, value: unknown): unknown =>
  key === 'less' ? (value as readonly CompiledReward[]).map(({ id }) => id) : value;

/**
 * The measure by which a charge tells orders apart beside goods value: null, none; undefined, more than that, or prices that are
 * no plain amounts.
 */
function secondAxis({ lines, handling }: Charge): SweepAxis | null | undefined {
  if (handling && 'percent' in handling) return undefined;
  let second: SweepAxis | null = null;
  for (const { over, when, price } of Object.values(lines)) {
    if (when || !('fixed' in price) || price.perUnit || price.min || price.max) return undefined;
    if (!over || over.measure === 'goodsValue') continue;
    if (over.measure !== 'weight' && over.measure !== 'items') return undefined;
    if (second !== null && second !== over.measure) return undefined;
    second = over.measure;
  }
  return second;
}

/** Where a charge changes along a measure, from nothing on. */
function edgesOf({ lines }: Charge, axis: SweepAxis | null): number[] {
  const edges = new Set([0]);
  for (const { over } of Object.values(lines))
    if (over && over.measure === axis && over.measure !== 'goodsValue')
      for (const edge of [over.from, over.to]) if (edge !== null && edge < axisReach[axis]) edges.add(edge);
  return [...edges].sort((a, b) => a - b);
}
