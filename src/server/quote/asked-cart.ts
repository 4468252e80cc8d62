import { resolveLines, type UnknownLine } from '../../core/cart/cart.ts';
import { unitPriceOf } from '../../core/cart/line-values.ts';
import type { Evaluation } from '../../core/evaluation/evaluation.ts';
import { findMarket } from '../../core/evaluation/find-zone.ts';
import { prepare, type PreparedCase } from '../../core/evaluation/prepare.ts';
import { largestAmount } from '../../core/money/rounding.ts';
import type { Redemptions } from '../../core/policy/types.ts';
import type { QuoteRequest } from '../../contract/shapes/quote-request.ts';
import type { ProblemField } from '../../contract/shapes/problem.ts';
import { inputOfAsked, type AskedCart } from '../../core/evaluation/asked-cart.ts';
import { ProblemError } from '../http/problem.ts';
import { andThen, type Soon } from '../soon.ts';
import { productsNamed } from '../products/products-known.ts';
import type { CurrentPolicy } from './current-policy.ts';

/**
 * A cart as a shop puts it down, found and measured.
 *
 * @param instant ms since 1970-01-01T00:00Z
 * @throws ProblemError 422 for unknown products, or a market that does not exist
 */
export function preparedCart(
  rules: Omit<CurrentPolicy, 'release'>,
  asked: AskedCart,
  instant: number,
  redemptions?: Redemptions,
): Soon<PreparedCase> {
  const { compiled, catalogue } = rules;
  const { lines, destination, market: chosen } = asked;
  if (chosen !== undefined && !compiled.markets.has(chosen))
    throw refusedCart([{ pointer: '/market', message: `there is no market "${chosen}"` }]);
  const names = [...new Set(lines.map((line) => line.product))];
  const market = findMarket(compiled, destination, chosen);
  return andThen(productsNamed(names, catalogue), (products) => {
    const resolved = resolveLines(lines, products, market?.id ?? null);
    if (!resolved.ok) throw refusedCart(resolved.unknown.map(unknownProduct));
    return prepare(compiled, inputOfAsked(asked, resolved.lines, instant, redemptions));
  });
}

const unknownProduct = ({ index, product, withFacts }: UnknownLine): ProblemField => ({
  pointer: withFacts ? `/lines/${index}/facts/unitPrice` : `/lines/${index}/product`,
  message: withFacts
    ? `is needed: the catalogue has no product with the id or SKU "${product}"`
    : `there is no product with the id or SKU "${product}"`,
});

/** @throws ProblemError 422 for products without a price in the market, and lines that come to more than is computed exactly */
export function refuseUncounted(evaluation: Evaluation, { input }: PreparedCase): void {
  const { lines } = input.cart;
  const unpriced = evaluation.measures?.unpriced ?? [];
  const tooMuch = tooLargeLine(evaluation);
  if (unpriced.length === 0 && tooMuch === null) return;
  const fields = lines.flatMap(({ product: { id } }, index): ProblemField[] => {
    if (unpriced.includes(id))
      return [{ pointer: `/lines/${index}/product`, message: `has no price in the market "${evaluation.marketId}"` }];
    if (id !== tooMuch) return [];
    const message = `comes to more than ${largestAmount} minor units, which is as much as is computed exactly`;
    return [{ pointer: `/lines/${index}/quantity`, message }];
  });
  throw refusedCart(fields);
}

/** The product of a line that comes to more than is computed exactly; null where none does. */
function tooLargeLine({ cart }: Evaluation): string | null {
  const line = cart?.lines.find(({ quantity }, index) => unitPriceOf(cart, index) * quantity > largestAmount);
  return line ? line.product.id : null;
}

/** What has something kept is not for everybody who may ask. @throws ProblemError 422 with why */
export function refuseKept(asked: Pick<QuoteRequest, 'sign' | 'reserve'>, message: string): void {
  const name = (['sign', 'reserve'] as const).find((one) => asked[one] !== undefined);
  if (name) throw refusedCart([{ pointer: `/${name}`, message }]);
}

export function refusedCart(fields: ProblemField[]): ProblemError {
  return new ProblemError({
    status: 422,
    title: 'The cart cannot be quoted',
    detail: 'No price was computed. The fields named are wrong.',
    fields,
  });
}
