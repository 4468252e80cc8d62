import { selects } from '../../../catalogue/goods-selection.ts';
import { priceIn } from '../../../catalogue/product-amount.ts';
import type { Product } from '../../../catalogue/product.ts';
import type { CompiledMarket } from '../../../evaluation/compile.ts';
import { formatMoney } from '../../../money/format.ts';
import type { CompiledGoal, CompiledOffer } from '../../../offers/compile-offer.ts';
import { ordersBelow, type Distribution } from '../../../orders/distribution.ts';
import { exampleCart } from '../../example-cart.ts';
import { somewhereIn } from '../../../evaluation/somewhere-in.ts';
import type { Found } from '../../finding.ts';
import type { Examined, FindingKind } from '../../kind.ts';

/** A goal that any single piece of what counts reaches, so that it asks for nothing. A goal of 0 asks for nothing on purpose. */
export const goalUnderCheapest: FindingKind = {
  kind: 'goalUnderCheapest',
  called: 'goals under the cheapest product',
  stop: 'offers',
  find: (examined) =>
    goalsOf(examined).flatMap((stands): Found[] => {
      const { market, offer, goal, target, counting } = stands;
      const [cheapest] = counting;
      if (goal !== offer.goals[0] || !cheapest || cheapest.price < target) return [];
      const money = moneyOf(stands, examined);
      const there = somewhereIn(examined.compiled, stands.zone);
      return [
        {
          ...placeOf(stands),
          severity: 'remark',
          sentence: `In “${market.market.name}” the goal of “${offer.offer.name}” is ${money(target)}, and the cheapest that counts costs ${money(cheapest.price)}: every order reaches it.`,
          example:
            there &&
            exampleCart(market, there, { name: 'The cheapest', lines: [{ product: cheapest.product, quantity: 1 }] }),
        },
      ];
    }),
};

/** Of a shop without past orders, so many of the dearest are more than anybody buys (an assumption). */
const mostOfDearest = 20;
/** With fewer orders nothing is said of what shares of them do. */
const enoughOrders = 200;
/** What more than this share of orders reaches already asks hardly anybody for more, in percent. */
const nearlyAll = 90;

/** A goal beyond what any plausible cart comes to. */
export const goalOutOfReach: FindingKind = {
  kind: 'goalOutOfReach',
  called: 'goals out of reach',
  stop: 'offers',
  find: (examined) =>
    goalsOf(examined).flatMap((stands): Found[] => {
      const { market, offer, target, counting } = stands;
      const money = moneyOf(stands, examined);
      const orders = ordersOf(examined, market.id);
      const dearest = counting.at(-1)?.price ?? null;
      const highest = orders ? orders.values[orders.values.length - 1]! : null;
      const why = beyond(target, highest, dearest);
      if (why === null) return [];
      const because =
        why === 'orders'
          ? `none of ${countOf(orders!, examined)} past orders came to that`
          : `more than ${mostOfDearest} of the dearest that counts (${money(dearest!)}) come to`;
      return [
        {
          ...placeOf(stands),
          severity: 'risky',
          sentence: `In “${market.market.name}” a goal of “${offer.offer.name}” is ${money(target)}: ${because}.`,
          example: null,
        },
      ];
    }),
};

/** What shows that a goal is out of reach; null where nothing does. */
function beyond(target: number, highest: number | null, dearest: number | null): 'orders' | 'goods' | null {
  if (highest !== null) return target > highest ? 'orders' : null;
  return dearest !== null && target > dearest * mostOfDearest ? 'goods' : null;
}

/** A goal that nearly all past orders came to. */
export const goalReachedAlready: FindingKind = {
  kind: 'goalReachedAlready',
  called: 'goals that most orders reach already',
  stop: 'offers',
  find: (examined) =>
    goalsOf(examined).flatMap((stands): Found[] => {
      const { market, offer, goal, target } = stands;
      const orders = ordersOf(examined, market.id);
      if (!orders || goal !== offer.goals[0]) return [];
      const percent = Math.floor((1 - ordersBelow(orders, target) / orders.orders) * 100);
      if (percent <= nearlyAll) return [];
      return [
        {
          ...placeOf(stands),
          severity: 'remark',
          sentence: `In “${market.market.name}” the goal of “${offer.offer.name}” is ${moneyOf(stands, examined)(target)}, which ${percent} % of ${countOf(orders, examined)} past orders came to: it asks hardly anybody for more.`,
          example: null,
        },
      ];
    }),
};

/** A goal of money in a market, as prices are shown there. */
interface GoalStanding {
  market: CompiledMarket;
  zone: CompiledMarket['zones'][number];
  offer: CompiledOffer;
  goal: CompiledGoal;
  /** minor units, more than 0 */
  target: number;
  /** what counts toward it, the cheapest first */
  counting: readonly Priced[];
}

interface Priced {
  product: Product;
  price: number;
}

const known = new WeakMap<Examined, GoalStanding[]>();

function goalsOf(examined: Examined): GoalStanding[] {
  let goals = known.get(examined);
  if (!goals) known.set(examined, (goals = goalsIn(examined)));
  return goals;
}

function goalsIn({ compiled, catalogue }: Examined): GoalStanding[] {
  return [...compiled.markets.values()].flatMap((market) => {
    const { terms } = market;
    const priced = [...catalogue.values()]
      .flatMap((product): Priced[] => {
        const price = priceIn(product, terms);
        return price !== undefined && product.countsTowardGoals ? [{ product, price }] : [];
      })
      .sort((a, b) => a.price - b.price);
    const seen = new Set<string>();
    return market.zones.flatMap((zone) =>
      zone.offers.flatMap((offer) => {
        if (seen.has(offer.id)) return [];
        seen.add(offer.id);
        return offer.goals.flatMap((goal): GoalStanding[] => {
          const { goods, kind, basis } = goal.counts;
          const { target } = goal;
          if (kind !== 'value' || basis.convertsTax || target === null || target === 0) return [];
          const counting = goods ? priced.filter(({ product, price }) => selects(goods, product, price)) : priced;
          return [{ market, zone, offer, goal, target, counting }];
        });
      }),
    );
  });
}

const placeOf = ({ market, offer, goal }: GoalStanding): Pick<Found, 'at' | 'marketId' | 'remedy'> => ({
  at: `/offers/${offer.id}/goals/${goal.id}/targets/${market.id}`,
  marketId: market.id,
  remedy: null,
});

const moneyOf =
  ({ market }: GoalStanding, { locale }: Examined) =>
  (minor: number): string =>
    formatMoney(minor, market.market.currency, locale);

/** Past orders of a market, where there are enough. */
function ordersOf({ orders }: Examined, marketId: string): Distribution | null {
  const known = orders?.get(marketId);
  return known && known.orders >= enoughOrders ? known : null;
}

const countOf = ({ orders }: Distribution, { locale }: Examined): string =>
  new Intl.NumberFormat(locale).format(orders);
