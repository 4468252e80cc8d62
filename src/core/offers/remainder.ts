import { convertTax } from '../cart/basis.ts';
import { applyDiscounts, discountApplies } from '../cart/discounts.ts';
import { unitPriceOf } from '../cart/line-values.ts';
import { imagineCart } from '../cart/imagined-cart.ts';
import { measureCart, type MeasuredCart } from '../cart/measures.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import { selects } from '../catalogue/goods-selection.ts';
import type { Facts } from '../conditions/facts.ts';
import { lowestThat } from '../lowest-that.ts';
import { multiplyDivide } from '../money/rounding.ts';
import type { CompiledOffer, Counting } from './compile-offer.ts';

/** No article is dearer; keeps what a discount of nearly everything asks for within exact numbers. */
const dearest = 10_000_000_000_000;
/** So many prices at most are tried one by one. */
const longestLook = 2000;

/**
 * The honest remainder (2-domain §7): the lowest price, as shown, from which on one more standard-taxed article that
 * counts reaches the goal. It takes in that the goal may count without the tax that prices show (or with the one they
 * do not), and that the discounts of the cart will cut the article too: it is taken to be among the goods of each of
 * them, so that the promise holds whichever goods are added.
 *
 * @param counted what the cart has toward the goal, less than `target`; minor units
 * @returns minor units as shown; null when no honest promise can be made: a discount that applies now would cease to
 * apply on the way, the offer would cease to be for this shopper, or nothing that could be added reaches the goal
 */
export function remainderOf(offer: CompiledOffer, counting: Counting, counted: number, target: number, facts: Facts): number | null {
  const { cart } = facts;
  const least = counting.goods?.priceFrom ?? 0;
  let remaining: number | null;
  if (cart.discounted && counting.basis.afterDiscounts) remaining = remainderUnderDiscounts(counting, target, cart);
  else {
    const missing = target - counted;
    remaining = counting.basis.convertsTax ? priceThatComesTo(missing, cart) : missing;
    if (cart.discounted && remaining !== null && someDiscountCeases(cart, remaining)) remaining = null;
  }
  if (remaining === null || least === Infinity) return null;
  remaining = Math.max(remaining, least);
  if (offer.whenLooksAtCart && !offer.when!.holds(withArticle(facts, remaining))) return null;
  return remaining;
}

function inBasis(price: number, { basis }: Counting, { terms, rates }: MeasuredCart): number {
  return basis.convertsTax ? convertTax(price, ordinaryArticle, terms, rates) : price;
}

/** The lowest price as shown that comes to an amount in the tax habit that is not shown. */
function priceThatComesTo(amount: number, { terms, rates }: MeasuredCart): number {
  const { numerator, denominator } = rates.standard;
  const comesTo = (price: number) => convertTax(price, ordinaryArticle, terms, rates);
  let price = terms.shownWithTax ? multiplyDivide(amount, numerator + denominator, denominator) : multiplyDivide(amount, denominator, numerator + denominator);
  while (comesTo(price) < amount) price++;
  while (price > 0 && comesTo(price - 1) >= amount) price--;
  return price;
}

/**
 * Between two prices of the article at which a discount begins or ceases to apply, what is counted grows with the
 * price but for rounding. From the dearest stretch down, the first price that fails is found: all above it reach the
 * goal.
 */
function remainderUnderDiscounts(counting: Counting, target: number, cart: MeasuredCart): number | null {
  const reaches = (price: number) => countedWith(price, counting, cart) >= target;
  // Each discount is rounded once and moves each line by one at most; so does the tax of each line.
  const slack = 2 * (2 + 2 * cart.discounts.length + cart.lines.length);
  const before = valueBefore(cart);
  const changes = cart.discounts.flatMap(({ from, below }) => [from - before, below - before]).filter((price) => price > 0 && price < dearest);
  const starts = [...new Set([0, ...changes])].sort((a, b) => b - a);
  let end = dearest;
  let remaining: number | null = null;
  for (const start of starts) {
    if (!reaches(end)) break;
    remaining = lowestThat(reaches, start, end);
    if (remaining === null) break;
    remaining = pastRounding(remaining, end, target + slack, target, (price) => countedWith(price, counting, cart));
    if (remaining !== start) break;
    end = start - 1;
  }
  return remaining === null || someDiscountCeases(cart, remaining) ? null : remaining;
}

/**
 * The lowest price after the last that fails, seen up to where no rounding can make one fail any more; that itself
 * when a discount of nearly everything puts it far away.
 */
function pastRounding(found: number, end: number, safe: number, target: number, counted: (price: number) => number): number {
  const sure = lowestThat((price) => counted(price) >= safe, found, end) ?? end;
  if (sure - found > longestLook) return sure;
  let lowest = found;
  for (let price = found; price < sure; price++) if (counted(price) < target) lowest = price + 1;
  return lowest;
}

function valueBefore(cart: MeasuredCart): number {
  return cart.lines.reduce((sum, { quantity }, index) => sum + unitPriceOf(cart, index) * quantity, 0);
}

/** Whether some discount that applies now would not apply once an article of that price has been added. */
function someDiscountCeases(cart: MeasuredCart, price: number): boolean {
  const before = valueBefore(cart);
  return cart.discounts.some((discount) => discountApplies(discount, before, cart.codes) && before + price >= discount.below);
}

/** What is counted once an article of that price has been added, which every discount cuts too. */
function countedWith(price: number, counting: Counting, cart: MeasuredCart): number {
  const values = [...cart.lines.map(({ quantity }, index) => unitPriceOf(cart, index) * quantity), price];
  const added = cart.lines.length;
  const { after } = applyDiscounts(cart.discounts, values, cart.codes, (goods, index) => index === added || selects(goods, cart.lines[index]!.product, unitPriceOf(cart, index)));
  let counted = inBasis(after[added]!, counting, cart);
  for (const [index, { product }] of cart.lines.entries()) {
    if (!product.countsTowardGoals || (counting.goods && !selects(counting.goods, product, unitPriceOf(cart, index)))) continue;
    counted += counting.basis.convertsTax ? convertTax(after[index]!, product, cart.terms, cart.rates) : after[index]!;
  }
  return counted;
}

/** The facts once an article of that price has been added: more of what the cart already has, else an ordinary one. */
function withArticle(facts: Facts, price: number): Facts {
  const { cart } = facts;
  const { terms, rates } = cart;
  if (cart.imagined) return { ...facts, cart: imagineCart({ ...cart.imagined, value: cart.imagined.value + price }, terms, rates), delivered: null };
  const like = cart.lines.find(({ product }) => product.countsTowardGoals)?.product ?? ordinaryArticle;
  const lines = [...cart.lines, { product: { ...like, prices: { [terms.id]: price } }, quantity: 1 }];
  return { ...facts, cart: measureCart({ ...cart.cart, lines }, terms, rates, facts.destination), delivered: null };
}
