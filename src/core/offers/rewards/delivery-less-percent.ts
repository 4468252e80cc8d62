import { percentOf } from '../../money/rounding.ts';
import type { RewardOf } from '../reward.ts';
import { onDelivery, percentOfReward } from './on-delivery.ts';

export const deliveryLessPercent = onDelivery<RewardOf<'deliveryLessPercent'>>({
  kind: 'deliveryLessPercent',
  offered: 'delivery is cheaper by a share of',
  changed: 'a share off the delivery',
  called: 'a share off the delivery',
  fields: ['percent', 'options'],
  own: { percent: { $ref: '#/$defs/decimalPercent' } },
  check: ({ percent }, { at, fault }) => {
    if (Number(percent) > 100) fault(`${at}/percent`, 'must be at most 100');
  },
  prices: (reward) => {
    const share = percentOfReward(reward.percent);
    return { ...share, becomes: (price) => price - percentOf(price, share.percent) };
  },
  says: (position) => `delivery costs {percent${position}} less`,
  begin: ({ on, coversOwnDelivery }) => ({ kind: 'deliveryLessPercent', on, coversOwnDelivery, percent: '50' }),
});
