import type { ComparedOrder, OrderReason, OrderVerdict } from '../orders/placed/compare-order.ts';
import { orderAt, type UnlikeOrder } from '../reading/unlike-rules.ts';
import type { ReadableOrders } from '../reading/readable-orders.ts';

/** Orders by one option that should have paid one price and paid another, or that were not offered it. */
export interface Disagreement {
  /** as the orders call it */
  option: string;
  verdict: OrderVerdict;
  /** why it is not offered; null for the other verdicts */
  because: OrderReason | null;
  /** minor units; null where the rules do not say */
  expected: number | null;
  /** minor units; null: various, where it is not offered anyhow */
  charged: number | null;
  orders: number;
  /** goods value of the least and of the most of them, minor units */
  values: { from: number; to: number };
  /** days since 1970-01-01 of the first and of the last of them */
  days: { from: number; to: number };
  /** some of them, the newest first */
  examples: UnlikeOrder[];
}

const mostExamples = 3;
/** Of more different disagreements the rarest are only counted. */
const mostGroups = 12;

interface Group extends Omit<Disagreement, 'examples' | 'option'> {
  option: number;
  newest: number[];
}

/** Puts orders that disagree with the rules in the same way together. */
export class Disagreements {
  readonly #orders: ReadableOrders;
  readonly #groups = new Map<string, Group>();

  constructor(orders: ReadableOrders) {
    this.#orders = orders;
  }

  add(place: number, { verdict, because, expected }: ComparedOrder): void {
    const { columns } = this.#orders;
    const [option, value, day] = [columns.option[place]!, columns.goods[place]!, columns.day[place]!];
    const charged = verdict === 'notOffered' ? null : columns.delivery[place]!;
    const key = `${option} ${verdict} ${because} ${expected} ${charged}`;
    const group = this.#groups.get(key);
    if (!group) {
      this.#groups.set(key, {
        option,
        verdict,
        because,
        expected,
        charged,
        orders: 1,
        values: { from: value, to: value },
        days: { from: day, to: day },
        newest: [place],
      });
      return;
    }
    group.orders++;
    group.values.from = Math.min(group.values.from, value);
    group.values.to = Math.max(group.values.to, value);
    group.days.from = Math.min(group.days.from, day);
    group.days.to = Math.max(group.days.to, day);
    // Orders come by day.
    group.newest.push(place);
    if (group.newest.length > mostExamples) group.newest.shift();
  }

  /** @returns the commonest, that with most orders first, and how many orders disagree otherwise */
  found(): { groups: Disagreement[]; others: number } {
    const all = [...this.#groups.values()].sort((a, b) => b.orders - a.orders);
    const groups = all.slice(0, mostGroups).map(({ newest, option, ...group }) => ({
      ...group,
      option: this.#orders.columns.options[option]!,
      examples: newest.reverse().map((place) => orderAt(this.#orders, place)),
    }));
    return { groups, others: all.slice(mostGroups).reduce((sum, { orders }) => sum + orders, 0) };
  }
}
