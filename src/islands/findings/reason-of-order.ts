import type { OrderReason } from '../../core/orders/placed/compare-order.ts';

/** Why an option was not offered, to be read after “it”. */
export const reasonOfOrder: Record<OrderReason, string> = {
  otherChannel: 'is not offered in that channel',
  notNow: 'was not offered at that time',
  conditionNotMet: 'has a condition that did not hold',
  noLineApplies: 'has no line of its charge that covers such a cart',
  carrierSilent: 'waits for what a carrier says',
  noMarket: 'went to a country that no market sells to',
  noZone: 'went to a place that no zone covers',
  goodsBarred: 'went to a place where some of the goods may not go',
  nothingToDeliver: 'delivers what needs no delivery',
  zoneWithoutOptions: 'went to a zone without options',
  noneApplies: 'went where no option applied to such a cart',
  notInZone: 'is no option of the zone that it went to',
  notDelivered: 'was not to be delivered, though its goods need it',
  beforeFirstRelease: 'was placed before the first release',
};
