import { ownDeliveryIn, priceIn } from '../../catalogue/product-amount.ts';
import type { MeasuredCart } from '../../cart/measures.ts';
import { fraction, money, node, setBy, number, percent, text, yes, type TraceNode } from '../../trace/trace.ts';

/** The lines of a cart, what discounts took off them, and the sums that charges and goals look at. */
export function traceMeasures(cart: MeasuredCart): TraceNode {
  const { measures, discounts, discounted } = cart;
  const lines = cart.lines.map((_, index) => traceLine(cart, index));
  const taken = discounts.map((discount, index) => {
    const off = discounted?.taken[index] ?? null;
    const inputs = {
      code: text(discount.code ?? 'none needed'),
      ...('amount' in discount.off
        ? { amount: money(discount.off.amount) }
        : { percent: percent(discount.off.decimal) }),
    };
    const name = 'amount' in discount.off ? 'A discount of {amount}' : 'A discount of {percent}';
    const by = discount.code === null ? '' : ' with the code {code}';
    if (off === null) return node('discount', `${name}${by} does not apply`, inputs, text('does not apply'));
    return node('discount', `${name}${by} takes {outcome} off the goods`, inputs, money(off));
  });
  return node(
    'measures',
    'The goods come to {goods}, of which {counted} count toward goals and {chargeable} are charged in the ordinary way',
    {
      goods: money(measures.goodsValue),
      counted: money(measures.countedValue),
      chargeable: money(measures.chargeableValue),
      own: money(measures.ownDelivery),
    },
    money(measures.goodsValue),
    [...lines, ...taken],
  );
}

function traceLine(cart: MeasuredCart, index: number): TraceNode {
  const { product, quantity } = cart.lines[index]!;
  const { terms } = cart;
  const price = priceIn(product, terms);
  const own = ownDeliveryIn(product, terms);
  const before = (price ?? 0) * quantity;
  const after = cart.discounted ? cart.discounted.after[index]! : before;
  const rate = cart.taxRates.classes.get(product.taxClass);
  const remarks = [
    price === undefined ? 'has no price in this market, taken as nothing' : '',
    cart.measures.barred.includes(product.id) ? 'may not go to this destination' : '',
    rate === undefined ? `is taxed as standard, the market has no tax class “${product.taxClass}”` : '',
    product.countsTowardGoals ? '' : 'does not count toward goals',
    product.needsDelivery ? '' : 'needs no delivery',
    product.needsDelivery && product.shipsFree ? 'ships free' : '',
    product.needsDelivery && !product.shipsFree && own !== undefined ? 'has its own delivery price' : '',
  ].filter(Boolean);
  const discount = after === before ? '' : ', {after} after discounts';
  return setBy(
    { kind: 'product', id: product.id },
    node(
      'line',
      `{quantity} × {product} at {price} is {outcome}${discount}${remarks.length ? ` (${remarks.join(', ')})` : ''}`,
      {
        quantity: number(quantity),
        product: text(product.name),
        price: money(price ?? 0),
        after: money(after),
        counts: yes(product.countsTowardGoals),
        needsDelivery: yes(product.needsDelivery),
        shipsFree: yes(product.shipsFree),
        ownDelivery: money(product.needsDelivery && !product.shipsFree ? (own ?? 0) : 0),
        ...fraction(rate ?? cart.taxRates.standard),
      },
      money(before),
    ),
  );
}
