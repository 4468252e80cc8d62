import { convertTax, type CompiledBasis } from '../cart/basis.ts';
import { applyDiscounts, discountApplies, type CompiledDiscount } from '../cart/discounts.ts';
import { lineValue, unitPriceOf } from '../cart/line-values.ts';
import type { MeasuredCart } from '../cart/measures.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import { selects } from '../catalogue/goods-selection.ts';
import type { Facts } from '../conditions/asked.ts';
import { lowestThat } from '../lowest-that.ts';
import { multiplyDivide } from '../money/rounding.ts';
import { goodsThatBring, withGoods, type AddedGoods } from './added-goods.ts';
import type { CompiledOffer, Counting } from './compile-offer.ts';

/** What a shopper is told to add: minor units as shown, pieces or grams. */
export interface Promise {
  remaining: number;
  /** what is enough for the goods that the cart's discounts treat best; null where all are treated alike */
  atBest: number | null;
}

/** As shown, before discounts. */
const undiscounted: CompiledBasis = { afterDiscounts: false, convertsTax: false };
/** No article is dearer; keeps what a discount of nearly everything asks for within exact numbers. */
const dearest = 10_000_000_000_000;
/** So many prices at most are tried one by one. */
const longestLook = 2000;
/** Of so many discounts that name goods each may hold for what is added or not: 64 cases. Beyond, no promise is made. */
const mostNaming = 6;

/**
 * The honest remainder (2-domain §7): the lowest price, as shown, from which on one more standard-taxed article that
 * counts reaches the goal, or the pieces or grams that are missing. It takes in that the goal may count without the tax that
 * prices show (or with the one they do not), and that discounts of the cart will cut the article too: of those that name
 * goods it may be in each or out of it, and the promise holds in every case.
 *
 * @param counted what the cart has toward the goal, less than `target`; minor units, pieces or grams
 * @returns null when no honest promise can be made: nothing in the cart is to be delivered, a discount that applies now would
 * cease to apply on the way, the offer would cease to be for this shopper, or no goods that count can bring what is missing
 */
export function remainderOf(
  offer: CompiledOffer,
  counting: Counting,
  counted: number,
  target: number,
  facts: Facts,
): Promise | null {
  const { cart } = facts;
  const { items, needsDelivery } = cart.measures;
  if (items > 0 && !needsDelivery) return null;
  const promise =
    counting.kind === 'value'
      ? missingValue(counting, counted, target, cart)
      : { remaining: target - counted, atBest: null };
  if (promise === null) return null;
  const { goods } = counting;
  if (!goods && !offer.whenLooksAtCart && cart.discounts.length === 0) return promise;
  const added = goodsThatBring(promise.remaining, counting, cart);
  if (added === null) return null;
  const { quantity, unitPrice } = added;
  // Several articles are rounded one by one: what they come to together is only known where nothing is.
  if (
    counting.kind === 'value' &&
    quantity > 1 &&
    (counting.basis.convertsTax || (cart.discounted !== null && counting.basis.afterDiscounts))
  )
    return null;
  const remaining = counting.kind === 'value' ? remainingOf(promise.remaining, added, counting) : promise.remaining;
  if (someDiscountCeases(cart, counting.kind === 'value' ? remaining : unitPrice * quantity)) return null;
  if (offer.whenLooksAtCart && !offer.when!.holds(withGoods(facts, added))) return null;
  return { remaining, atBest: promise.atBest };
}

/** What is missing, but no less than the cheapest goods that count come to. */
function remainingOf(missing: number, { quantity }: AddedGoods, { goods }: Counting): number {
  return Math.max(missing, quantity * (goods?.priceFrom ?? 0));
}

function missingValue(counting: Counting, counted: number, target: number, cart: MeasuredCart): Promise | null {
  if (cart.discounted && counting.basis.afterDiscounts) return remainderUnderDiscounts(counting, target, cart);
  const missing = target - counted;
  return { remaining: counting.basis.convertsTax ? priceThatComesTo(missing, cart) : missing, atBest: null };
}

function inBasis(price: number, { basis }: Counting, { terms, taxRates }: MeasuredCart): number {
  return basis.convertsTax ? convertTax(price, ordinaryArticle, terms, taxRates) : price;
}

/** The lowest price as shown that comes to an amount in the tax habit that is not shown. */
function priceThatComesTo(amount: number, { terms, taxRates }: MeasuredCart): number {
  const { numerator, denominator } = taxRates.standard;
  const comesTo = (price: number) => convertTax(price, ordinaryArticle, terms, taxRates);
  let price = terms.shownWithTax
    ? multiplyDivide(amount, numerator + denominator, denominator)
    : multiplyDivide(amount, denominator, numerator + denominator);
  while (comesTo(price) < amount) price++;
  while (price > 0 && comesTo(price - 1) >= amount) price--;
  return price;
}

/**
 * Between two prices of the article at which a discount begins or ceases to apply, what is counted grows with the
 * price but for rounding. From the dearest stretch down, the first price that fails is found: all above it reach the
 * goal.
 */
function remainderUnderDiscounts(counting: Counting, target: number, cart: MeasuredCart): Promise | null {
  const naming = cart.discounts.filter(({ goods, code }) => goods !== null && (code === null || cart.codes.has(code)));
  if (naming.length > mostNaming) return null;
  const cases = Array.from(
    { length: 2 ** naming.length },
    (_, bits) => new Set(naming.filter((__, index) => (bits >> index) & 1)),
  );
  const worst = lowestReaching(cases, counting, target, cart);
  if (worst === null || naming.length === 0) return worst === null ? null : { remaining: worst, atBest: null };
  const each = cases.flatMap((one) => lowestReaching([one], counting, target, cart) ?? []);
  const best = Math.min(worst, ...each);
  return { remaining: worst, atBest: best < worst ? best : null };
}

/** The lowest price from which on the goal is reached in each of the cases: which of the discounts that name goods the article is among. */
function lowestReaching(
  cases: readonly ReadonlySet<CompiledDiscount>[],
  counting: Counting,
  target: number,
  cart: MeasuredCart,
): number | null {
  const counted = (price: number) =>
    cases.reduce((least, among) => Math.min(least, countedWith(price, among, counting, cart)), Infinity);
  const reaches = (price: number) => counted(price) >= target;
  // Each discount is rounded once and moves each line by one at most; so does the tax of each line.
  const slack = 2 * (2 + 2 * cart.discounts.length + cart.lines.length);
  const before = valueBefore(cart);
  const changes = cart.discounts
    .flatMap(({ from, below }) => [from - before, below - before])
    .filter((price) => price > 0 && price < dearest);
  const starts = [...new Set([0, ...changes])].sort((a, b) => b - a);
  let end = dearest;
  let remaining: number | null = null;
  for (const start of starts) {
    if (!reaches(end)) break;
    remaining = lowestThat(reaches, start, end);
    if (remaining === null) break;
    remaining = pastRounding(remaining, end, target + slack, target, counted);
    if (remaining !== start) break;
    end = start - 1;
  }
  return remaining;
}

/**
 * The lowest price after the last that fails, seen up to where no rounding can make one fail any more; that itself
 * when a discount of nearly everything puts it far away.
 */
function pastRounding(
  found: number,
  end: number,
  safe: number,
  target: number,
  counted: (price: number) => number,
): number {
  const sure = lowestThat((price) => counted(price) >= safe, found, end) ?? end;
  if (sure - found > longestLook) return sure;
  let lowest = found;
  for (let price = found; price < sure; price++) if (counted(price) < target) lowest = price + 1;
  return lowest;
}

function valueBefore(cart: MeasuredCart): number {
  return cart.lines.reduce((sum, _, index) => sum + lineValue(cart, index, undiscounted), 0);
}

/** Whether some discount that applies now would not apply once goods of that value have been added. */
function someDiscountCeases(cart: MeasuredCart, value: number): boolean {
  if (cart.discounts.length === 0) return false;
  const before = valueBefore(cart);
  return cart.discounts.some(
    (discount) => discountApplies(discount, before, cart.codes) && before + value >= discount.below,
  );
}

/** What is counted once an article of that price has been added, which discounts without goods cut, and those that it is among. */
function countedWith(
  price: number,
  among: ReadonlySet<CompiledDiscount>,
  counting: Counting,
  cart: MeasuredCart,
): number {
  const values = [...cart.lines.map((_, index) => lineValue(cart, index, undiscounted)), price];
  const added = cart.lines.length;
  const { after } = applyDiscounts(cart.discounts, values, cart.codes, (discount, goods, index) =>
    index === added ? among.has(discount) : selects(goods, cart.lines[index]!.product, unitPriceOf(cart, index)),
  );
  let counted = inBasis(after[added]!, counting, cart);
  for (const [index, { product }] of cart.lines.entries()) {
    if (!product.countsTowardGoals || (counting.goods && !selects(counting.goods, product, unitPriceOf(cart, index))))
      continue;
    counted += counting.basis.convertsTax
      ? convertTax(after[index]!, product, cart.terms, cart.taxRates)
      : after[index]!;
  }
  return counted;
}
