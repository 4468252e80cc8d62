import { goodsValueOf } from '../../../cart/line-values.ts';
import { moneyFact } from '../../forms/money.ts';

export const countedValue = moneyFact('cart.countedValue', {
  about: 'The cart',
  name: 'value that counts toward goals',
  also: 'amount total spend money threshold',
  called: 'the counted value',
  holds: ({ cart }, basis, fits) => fits(goodsValueOf(cart, basis, { counting: true })),
  of: 'counted',
  told: 'always',
});
