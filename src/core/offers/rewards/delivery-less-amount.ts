import { amountIn } from '../../markets/terms.ts';
import { checkAmounts } from '../../money/check-amounts.ts';
import type { RewardOf } from '../reward.ts';
import { onDelivery } from './on-delivery.ts';

export const deliveryLessAmount = onDelivery<RewardOf<'deliveryLessAmount'>>({
  kind: 'deliveryLessAmount',
  offered: 'delivery is cheaper by',
  changed: 'an amount off the delivery',
  called: 'an amount off the delivery',
  fields: ['amount', 'options'],
  own: { amount: { $ref: '#/$defs/amounts' } },
  check: ({ amount }, { policy, markets, at, fault }) => checkAmounts(amount, policy, markets, `${at}/amount`, fault),
  prices: (reward, terms) => {
    const amount = amountIn(reward.amount, terms);
    return amount === null ? null : { amount, becomes: (price) => price - amount };
  },
  says: (position) => `delivery costs {amount${position}} less`,
  begin: ({ on, coversOwnDelivery, two }) => ({ kind: 'deliveryLessAmount', on, coversOwnDelivery, amount: two }),
});
