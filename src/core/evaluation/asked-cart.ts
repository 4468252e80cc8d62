import type { AskedLine, Cart } from '../cart/cart.ts';
import type { EvaluationInput } from './evaluation.ts';

/** A cart as a shop puts it down, with whom it is of and where it goes. */
export interface AskedCart
  extends
    Pick<EvaluationInput, 'shopper' | 'destination' | 'market' | 'quotes' | 'redemptions' | 'earlier'>,
    Pick<Cart, 'codes' | 'discounts' | 'channel'> {
  lines: AskedLine[];
}
