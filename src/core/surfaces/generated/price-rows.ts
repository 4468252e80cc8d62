import { orderOfValue, type HypotheticalOrder } from '../../cart/hypothetical-order.ts';
import { anybody } from '../../conditions/shopper-class.ts';
import type { CompiledZone } from '../../evaluation/compile.ts';
import type { Situation } from '../../evaluation/context.ts';
import { situationOf } from '../../evaluation/shopper-classes.ts';
import type { CompiledReward } from '../../offers/reward.ts';
import type { Charge, Destination } from '../../policy/types.ts';
import type { SweepAxis } from '../../sweep/axis.ts';
import { sweepZone, type Sweep, type SweepSegment } from '../../sweep/sweep.ts';
import type { Stretch } from '../words/charge-in-words.ts';

/** What delivery costs on a stretch of orders: an amount in minor units, not at all, or what the charge says and what comes off it. */
export type RowPrice = { amount: number } | { offered: false } | { charge: true; less: readonly CompiledReward[] };

/** What an option costs some orders; those that no stretch is named for, all. */
export interface PriceRow {
  stretches: readonly Stretch[];
  price: RowPrice;
}

/** Edges along one measure bring forth edges along the other so many times at most. */
const mostRounds = 4;

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
    return second === undefined ? this.#charged(index) : this.#grid(index, second);
  }

  /** What is charged along goods value for an order of ordinary goods, without weight. */
  get alongValue(): Sweep {
    return this.#along(null, 0);
  }

  /** The least that an option costs some order before offers, as far as goods value, weight or pieces decide; null: it is never offered. */
  leastOf(index: number): number | null {
    const sweeps = [this.alongValue, this.#sweep('weight', orderOfValue(1)), this.#sweep('items', orderOfValue(1))];
    const prices = sweeps
      .flatMap(({ segments }) => segments.flatMap(({ options }) => options[index] ?? []))
      .flatMap(({ before, lastBefore }) => [before, lastBefore]);
    return prices.length > 0 ? Math.min(...prices) : null;
  }

  #along(axis: SweepAxis | null, at: number): Sweep {
    return this.#sweep('goodsValue', axis === null ? orderOfValue(0) : { ...orderOfValue(0), [axis]: at });
  }

  #sweep(axis: SweepAxis, order: HypotheticalOrder): Sweep {
    const key = `${axis} ${order.value} ${order.weight} ${order.items}`;
    let sweep = this.#known.get(key);
    if (!sweep) this.#known.set(key, (sweep = sweepZone(this.#zone, axis, this.#situation, order)));
    return sweep;
  }

  /** Every price as an amount, by goods value and at most one measure besides. */
  #grid(index: number, second: 'weight' | 'items' | null): PriceRow[] {
    const { values, seconds } = this.#edges(second);
    const columns = seconds.map((start) => this.#along(second, start).segments);
    const priced = values.map((from) =>
      columns.map((segments) => segmentAt(segments, from).options[index]?.after ?? null),
    );
    const rows: PriceRow[] = [];
    for (const { from, to, value } of merged(values, priced)) {
      const goods: Stretch[] = from === 0 && to === null ? [] : [{ measure: 'goodsValue', from, to }];
      for (const part of merged(seconds, value))
        rows.push({
          stretches:
            second === null || (part.from === 0 && part.to === null)
              ? goods
              : [...goods, { measure: second, from: part.from, to: part.to }],
          price: part.value === null ? { offered: false } : { amount: part.value },
        });
    }
    return rows;
  }

  /**
   * Where prices change along goods value and along a second measure. Those along one are looked for at each of the other, until
   * there are no more: what is the same at one goods value need not be at another.
   */
  #edges(second: 'weight' | 'items' | null): { values: number[]; seconds: number[] } {
    const startsOf = (sweeps: readonly Sweep[]) =>
      [...new Set(sweeps.flatMap(({ segments }) => segments.map(({ from }) => from)))].sort((a, b) => a - b);
    let values = startsOf([this.alongValue]);
    let seconds = [0];
    if (second === null) return { values, seconds };
    for (let round = 0; round < mostRounds; round++) {
      const count = values.length + seconds.length;
      seconds = startsOf(values.map((value) => this.#sweep(second, orderOfValue(value))));
      values = startsOf(seconds.map((at) => this.#along(second, at)));
      if (values.length + seconds.length === count) break;
    }
    return { values, seconds };
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
function secondAxis({ lines, handling }: Charge): 'weight' | 'items' | null | undefined {
  if (handling && 'percent' in handling) return undefined;
  let second: 'weight' | 'items' | null = null;
  for (const { over, when, price } of Object.values(lines)) {
    if (when || !('fixed' in price) || price.perUnit || price.min || price.max) return undefined;
    if (!over || over.measure === 'goodsValue') continue;
    if (over.measure !== 'weight' && over.measure !== 'items') return undefined;
    if (second !== null && second !== over.measure) return undefined;
    second = over.measure;
  }
  return second;
}
