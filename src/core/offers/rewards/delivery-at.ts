import { amountIn } from '../../markets/terms.ts';
import { checkAmounts } from '../../money/check-amounts.ts';
import type { RewardOf } from '../reward.ts';
import { onDelivery } from './on-delivery.ts';

export const deliveryAt = onDelivery<RewardOf<'deliveryAt'>>({
  kind: 'deliveryAt',
  offered: 'delivery costs at most',
  changed: 'delivery at a fixed price',
  called: 'delivery at a fixed price',
  fields: ['price', 'options'],
  own: { price: { description: 'never raises a price', $ref: '#/$defs/amounts' } },
  check: ({ price }, { policy, markets, at, fault }) => checkAmounts(price, policy, markets, `${at}/price`, fault),
  prices: ({ price }, terms) => {
    const amount = amountIn(price, terms);
    return amount === null ? null : { amount, becomes: () => amount };
  },
  says: (position) => `delivery costs at most {amount${position}}`,
  begin: ({ on, coversOwnDelivery, two }) => ({ kind: 'deliveryAt', on, coversOwnDelivery, price: two }),
});
