import type { AskedLine, Cart, CartLine } from '../cart/cart.ts';
import type { EvaluationInput } from './evaluation.ts';

/** A cart as a shop puts it down, with whom it is of and where it goes. */
export interface AskedCart
  extends
    Pick<EvaluationInput, 'shopper' | 'destination' | 'market' | 'quotes' | 'redemptions' | 'earlier'>,
    Pick<Cart, 'codes' | 'discounts' | 'channel'> {
  lines: AskedLine[];
}

/**
 * A cart that a shop asks about, with its products found. Each part is handed on by its name: at every quote, spreads of the rest
 * take long.
 *
 * @param instant ms since 1970-01-01T00:00Z @param redemptions as they count, instead of as the shop says
 */
export function inputOfAsked(
  { codes, discounts, channel, shopper, destination, market, quotes, earlier, redemptions: said }: AskedCart,
  lines: readonly CartLine[],
  instant: number,
  redemptions = said,
): EvaluationInput {
  const cart: Cart = { lines };
  if (codes) cart.codes = codes;
  if (discounts) cart.discounts = discounts;
  if (channel !== undefined) cart.channel = channel;
  const input: EvaluationInput = { cart, destination, instant };
  if (shopper) input.shopper = shopper;
  if (market !== undefined) input.market = market;
  if (quotes) input.quotes = quotes;
  if (redemptions) input.redemptions = redemptions;
  if (earlier) input.earlier = earlier;
  return input;
}
