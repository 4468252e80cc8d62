import { orderOfValue, type HypotheticalOrder } from '../../cart/hypothetical-order.ts';
import { anybody } from '../../conditions/shopper-class.ts';
import type { CompiledZone } from '../../evaluation/compile.ts';
import type { Situation } from '../../evaluation/context.ts';
import { priceOptions } from '../../evaluation/price-options.ts';
import { pricing } from '../../evaluation/pricing.ts';
import { situationOf } from '../../evaluation/shopper-classes.ts';
import { locate } from '../../geography/postcode-regions/region-of-postcode.ts';
import type { DeliveryReward } from '../../offers/reward.ts';
import type { Charge, Destination } from '../../policy/types.ts';
import type { SweepAxis } from '../../sweep/axis.ts';
import { policyEdges } from '../../sweep/edges.ts';
import { paidOf, sweepZone, type Sweep, type SweepSegment } from '../../sweep/sweep.ts';
import type { Stretch } from '../words/charge-in-words.ts';

/** What delivery costs on a stretch of orders: an amount in minor units, not at all, or what the charge says and what comes off it. */
export type RowPrice = { amount: number } | { offered: false } | { charge: true; less: readonly DeliveryReward[] };

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
  #sweep: Sweep | null = null;
  #pricing: ReturnType<typeof pricing> | null = null;
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
    const { id, option } = this.#zone.options[index]!;
    const second = secondAxis(option.charge);
    // What takes the price of other options changes where theirs do.
    const isPlain = second !== undefined && !this.#rewardsOn(id).some((reward) => reward.priceOf !== null);
    return isPlain ? this.#grid(index, second) : this.#charged(index);
  }

  /** Every reward that some goal here has for an option. */
  #rewardsOn(id: string, reached: (goal: string) => boolean = () => true): DeliveryReward[] {
    return this.#zone.offers
      .flatMap(({ id: offerId, goals }) => goals.filter((goal) => reached(`${offerId}/${goal.id}`)))
      .flatMap(({ rewards }) => rewards)
      .filter((reward) => reward.acts === 'onDelivery')
      .filter(({ options }) => options.has(id));
  }

  /** What is charged along goods value for an order of ordinary goods, without weight. */
  get alongValue(): Sweep {
    return (this.#sweep ??= sweepZone(this.#zone, 'goodsValue', this.#situation, orderOfValue(0)));
  }

  /** The least that an option costs some order before offers, as far as goods value, weight or pieces decide; null: it is never offered. */
  leastOf(index: number): number | null {
    const value = this.alongValue.segments.flatMap(({ options }) => options[index] ?? []);
    const others = (['weight', 'items'] as const).flatMap((axis) =>
      this.#edges(index, axis, true).flatMap((at) => this.#priceAt(index, { ...orderOfValue(1), [axis]: at }) ?? []),
    );
    const prices = [
      ...value.flatMap(({ before, lastBefore }) => [before, lastBefore]),
      ...others.map(({ before }) => before),
    ];
    return prices.length > 0 ? Math.min(...prices) : null;
  }

  /** Where an option's own charge, or an offer, changes what is paid along a measure; from nothing on. */
  #edges(index: number, axis: SweepAxis, withoutSteps = false): number[] {
    const { market, offers, options } = this.#zone;
    const zone = { market, offers, options: [options[index]!] };
    const { region } = locate(this.#situation.destination).destination;
    return [0, ...policyEdges({ zone, axis, order: orderOfValue(0), region, withoutSteps })];
  }

  #priceAt(index: number, order: HypotheticalOrder): { before: number; after: number } | null {
    this.#pricing ??= pricing(this.#zone, this.#situation);
    return paidOf(priceOptions(this.#pricing(order).context, null)[index]!);
  }

  /** Every price as an amount, by goods value and at most one measure besides. */
  #grid(index: number, second: 'weight' | 'items' | null): PriceRow[] {
    const values = this.#edges(index, 'goodsValue');
    const seconds = second === null ? [0] : this.#edges(index, second);
    const priced = values.map((value) =>
      seconds.map((at) => {
        const order = { ...orderOfValue(value), ...(second === null ? {} : { [second]: at }) };
        return this.#priceAt(index, order)?.after ?? null;
      }),
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
    const rewards = this.#rewardsOn(id, (goal) => reached.includes(goal));
    if (!price) return { charge: true, less: [] };
    if (price.after === 0 && price.lastAfter === 0 && rewards.some(({ isFree }) => isFree)) return { amount: 0 };
    if (price.before === price.after) return { charge: true, less: [] };
    if (price.after === price.lastAfter && rewards.some(({ kind }) => kind === 'deliveryAt'))
      return { amount: price.after };
    return { charge: true, less: rewards };
  }
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
  key === 'less' ? (value as readonly DeliveryReward[]).map(({ id }) => id) : value;

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
