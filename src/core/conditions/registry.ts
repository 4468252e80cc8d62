import { Registry } from '../registry.ts';
import type { Amounts, GoodsSelection, Policy } from '../policy/types.ts';
import { priceUnit } from '../money/currency.ts';
import type { Fact, FactForm } from './fact.ts';
import { chargeableWeight } from './facts/cart/chargeable-weight.ts';
import { parcels } from './facts/cart/parcels.ts';
import { channel } from './facts/cart/channel.ts';
import { code } from './facts/cart/code.ts';
import { contents } from './facts/cart/contents.ts';
import { countedValue } from './facts/cart/counted-value.ts';
import { currency } from './facts/cart/currency.ts';
import { goodsValue } from './facts/cart/goods-value.ts';
import { items } from './facts/cart/items.ts';
import { categoryQuantity } from './facts/cart/category-quantity.ts';
import { lineQuantity } from './facts/cart/line-quantity.ts';
import { ofLine } from './facts/cart/line-value.ts';
import { lines } from './facts/cart/lines.ts';
import { longestSide } from './facts/cart/longest-side.ts';
import { quantityOf } from './facts/cart/quantity-of.ts';
import { valueOf } from './facts/cart/value-of.ts';
import { volume } from './facts/cart/volume.ts';
import { weight } from './facts/cart/weight.ts';
import { country } from './facts/destination/country.ts';
import { distance } from './facts/destination/distance.ts';
import { market } from './facts/destination/market.ts';
import { postcode } from './facts/destination/postcode.ts';
import { region } from './facts/destination/region.ts';
import { residential } from './facts/destination/residential.ts';
import { zone } from './facts/destination/zone.ts';
import { date } from './facts/moment/date.ts';
import { timeOfDay } from './facts/moment/time-of-day.ts';
import { weekday } from './facts/moment/weekday.ts';
import { billingCountry } from './facts/shopper/billing-country.ts';
import { business } from './facts/shopper/business.ts';
import { daysSinceLastOrder } from './facts/shopper/days-since-last-order.ts';
import { firstOrder } from './facts/shopper/first-order.ts';
import { group } from './facts/shopper/group.ts';
import { individual } from './facts/shopper/individual.ts';
import { lifetimeSpend } from './facts/shopper/lifetime-spend.ts';
import { orderCount } from './facts/shopper/order-count.ts';
import { signedIn } from './facts/shopper/signed-in.ts';
import { tag } from './facts/shopper/tag.ts';
import type { LeafNode, Unplaced } from './leaf.ts';

/** Every fact that conditions can ask about. */
export const facts = new Registry<Fact>('fact', ({ id }) => id, [
  signedIn,
  group,
  tag,
  firstOrder,
  orderCount,
  daysSinceLastOrder,
  lifetimeSpend,
  business,
  billingCountry,
  individual,
  goodsValue,
  countedValue,
  items,
  lines,
  contents,
  valueOf,
  quantityOf,
  lineQuantity,
  categoryQuantity,
  ofLine,
  weight,
  chargeableWeight,
  parcels,
  volume,
  longestSide,
  code,
  currency,
  channel,
  country,
  region,
  postcode,
  distance,
  zone,
  market,
  residential,
  weekday,
  timeOfDay,
  date,
]);

/** The fact that a leaf asks about. */
export const factOf = (node: LeafNode): Fact => facts.of('fact' in node ? node.fact : node.kind);

/** Every form that facts have, once, with the ids of those that have it. */
export function forms(): Map<FactForm, string[]> {
  const found = new Map<FactForm, string[]>();
  for (const { id, form } of facts.all) found.set(form, [...(found.get(form) ?? []), id]);
  return found;
}

/**
 * A condition on a fact as it is first put down, to be changed from there: a usual comparison, and amounts of about 50 of the
 * currency's units.
 *
 * @param first the first word or postcode, or goods, for facts that ask for it
 * @param markets those that are given an amount
 */
export function beginLeaf(
  fact: Fact,
  first: string | GoodsSelection | null,
  policy: Policy,
  markets: readonly string[],
  today: string,
): Unplaced<LeafNode> {
  const amounts: Amounts = Object.fromEntries(
    markets.map((id) => [id, { exact: 50 * priceUnit(policy.markets[id]!.currency) }]),
  );
  const word = typeof first === 'string' ? first : '';
  const goods = typeof first === 'object' && first !== null ? first : {};
  return fact.begin({ word, goods, amounts, policy, today });
}
