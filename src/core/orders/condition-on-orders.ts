import { cartOfHypotheticalOrder } from '../cart/hypothetical-cart.ts';
import { orderOfValue } from '../cart/hypothetical-order.ts';
import { guest } from '../cart/shopper.ts';
import type { Qualifiers } from '../conditions/leaves.ts';
import { compileCondition } from '../conditions/compile-condition.ts';
import { taxRatesAt, type MarketTerms } from '../markets/terms.ts';
import type { Condition } from '../policy/types.ts';
import { dateOfDay } from '../time/day.ts';
import { shopperNew, shopperReturning, type OrderColumns } from './columns.ts';
import { shopperOfKind } from './shopper-of-order.ts';

/** For how many orders of the last days a condition holds. */
export interface ConditionOnOrders {
  orders: number;
  holding: number;
  /** what those it holds for are like, where that sets them apart from the others; null where nothing does */
  mostly: Trait | null;
}

/** Something orders have in common. `share`: of those the condition holds for; `usual`: of all. */
export interface Trait {
  kind: 'new' | 'returning' | 'atLeast' | 'below' | 'option';
  /** for `atLeast` and `below` minor units: the median of all orders */
  value: number;
  /** for `option` */
  option: string;
  share: number;
  usual: number;
}

/** A quarter of a year, in days. */
export const quarter = 91;
/** A trait is told when it holds for most, and clearly more often than usual. */
const most = 0.5;
const apart = 0.1;

/** What past orders are asked in. */
interface OrdersAsked {
  qualifiers: Qualifiers;
  terms: MarketTerms;
  /** a destination in the market */
  country: string;
  /** the zone of a delivery option */
  zoneOf: (option: string) => string;
}

/**
 * Tries a condition on a market's orders of the quarter before the last one known, each as one light article of its goods
 * value, bought at noon of its day by a guest of whom is known at most whether they had ordered before, to the zone of the
 * option that was chosen. What orders do not tell is missing, so a leaf about it is false (2-domain §5).
 */
export function conditionOnOrders(
  columns: OrderColumns,
  condition: Condition,
  { qualifiers, terms, country, zoneOf }: OrdersAsked,
): ConditionOnOrders {
  const { count, goods, day, option, options, shopper } = columns;
  const last = day.reduce((latest, other) => Math.max(latest, other), 0);
  const compiled = compileCondition(condition, qualifiers, terms);
  const zones = options.map(zoneOf);
  const destination = { country, postcode: '' };
  const rates = taxRatesAt(terms, undefined);
  const known = new Map<string, boolean>();
  const holds = (i: number): boolean => {
    const key = `${goods[i]} ${shopper[i]} ${option[i]} ${day[i]}`;
    let answer = known.get(key);
    if (answer === undefined) {
      answer = compiled.holds({
        cart: cartOfHypotheticalOrder(orderOfValue(goods[i]!), terms, rates),
        delivered: null,
        shopper: shopperOfKind(shopper[i]!) ?? guest,
        destination,
        postcode: '',
        zoneId: zones[option[i]!] ?? '',
        instant: Date.parse(`${dateOfDay(day[i]!)}T12:00Z`),
      });
      known.set(key, answer);
    }
    return answer;
  };
  const [all, held]: [number[], number[]] = [[], []];
  for (let i = 0; i < count; i++) {
    if (day[i]! <= last - quarter) continue;
    all.push(i);
    if (holds(i)) held.push(i);
  }
  return {
    orders: all.length,
    holding: held.length,
    mostly: held.length > 0 && held.length < all.length ? traitOf(columns, all, held) : null,
  };
}

/** Of the traits that most of some orders have, the one that sets them apart the most. */
function traitOf(
  { goods, option, options, shopper }: OrderColumns,
  all: readonly number[],
  held: readonly number[],
): Trait | null {
  const median = all.map((i) => goods[i]!).sort((a, b) => a - b)[all.length >> 1]!;
  const traits: [Omit<Trait, 'share' | 'usual'>, (i: number) => boolean][] = [
    [{ kind: 'new', value: 0, option: '' }, (i) => shopper[i] === shopperNew],
    [{ kind: 'returning', value: 0, option: '' }, (i) => shopper[i] === shopperReturning],
    [{ kind: 'atLeast', value: median, option: '' }, (i) => goods[i]! >= median],
    [{ kind: 'below', value: median, option: '' }, (i) => goods[i]! < median],
    ...options.flatMap((id, index): [Omit<Trait, 'share' | 'usual'>, (i: number) => boolean][] =>
      id === '' ? [] : [[{ kind: 'option', value: 0, option: id }, (i) => option[i] === index]],
    ),
  ];
  const shareOf = (orders: readonly number[], has: (i: number) => boolean) =>
    orders.reduce((sum, i) => sum + (has(i) ? 1 : 0), 0) / orders.length;
  const told = traits
    .map(([trait, has]): Trait => ({ ...trait, share: shareOf(held, has), usual: shareOf(all, has) }))
    .filter(({ share, usual }) => share >= most && share - usual >= apart);
  return told.reduce<Trait | null>(
    (best, trait) => (best === null || trait.share - trait.usual > best.share - best.usual ? trait : best),
    null,
  );
}
