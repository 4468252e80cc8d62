import type { OptionKindRecord } from './option-kind.ts';

export const localDelivery: OptionKindRecord = {
  kind: 'localDelivery',
  called: 'local delivery',
  several: 'local delivery',
  paysOwnDelivery: true,
  chargesGoodsOnly: false,
  isCollected: false,
};
