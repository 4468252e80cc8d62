import { goodsValueOf } from '../../../cart/line-values.ts';
import { moneyFact } from '../../forms/money.ts';

export const goodsValue = moneyFact('cart.goodsValue', {
  about: 'The cart',
  name: 'goods value',
  also: 'amount total spend money price subtotal',
  called: 'the goods value',
  holds: ({ cart }, basis, fits) => fits(goodsValueOf(cart, basis, {})),
  of: 'goods',
  told: 'always',
});
