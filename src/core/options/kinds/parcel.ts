import type { OptionKindRecord } from './option-kind.ts';

export const parcel: OptionKindRecord = {
  kind: 'parcel',
  called: 'parcel',
  several: 'parcels',
  paysOwnDelivery: true,
  chargesGoodsOnly: true,
  isCollected: false,
};
