import type { OptionKindRecord } from './option-kind.ts';

export const pickUp: OptionKindRecord = {
  kind: 'pickUp',
  called: 'pick-up',
  several: 'pick-up',
  paysOwnDelivery: false,
  chargesGoodsOnly: false,
  isCollected: true,
};
