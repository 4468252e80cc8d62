import { lineValue } from '../../../cart/line-values.ts';
import { moneyFact } from '../../forms/money.ts';

export const ofLine = moneyFact('line.value', {
  about: 'The cart',
  name: 'value of one line',
  also: 'amount dear expensive product',
  called: 'the value of some line',
  holds: ({ cart }, basis, fits) => cart.lines.some((_, index) => fits(lineValue(cart, index, basis))),
});
