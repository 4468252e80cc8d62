import type { RewardOf } from '../reward.ts';
import { onDelivery } from './on-delivery.ts';

export const deliveryFree = onDelivery<RewardOf<'deliveryFree'>>({
  kind: 'deliveryFree',
  offered: 'delivery is free',
  changed: 'delivery is free',
  called: 'free delivery',
  fields: ['options'],
  prices: () => ({ becomes: () => 0, isFree: true }),
  says: () => 'delivery is free',
  begin: ({ on, coversOwnDelivery }) => ({ kind: 'deliveryFree', on, coversOwnDelivery }),
});
