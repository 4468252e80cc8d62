import type { OrderReason } from '../../core/orders/placed/compare-order.ts';
import type { ListedOrder } from '../../contract/shapes/placed-order.ts';

/** Ways in which shop and rules disagree. */
export type Disagreement = 'more' | 'less' | 'notOffered' | 'offerNotDue';

export const disagreements: readonly Disagreement[] = ['more', 'less', 'notOffered', 'offerNotDue'];

/** To be read after a number of orders. */
export const disagreementInWords: Record<Disagreement, string> = {
  more: 'charged more',
  less: 'charged less',
  notOffered: 'taken in a way that is not offered',
  offerNotDue: 'with an offer that was not due',
};

/** Why an option was not offered, to be read after “it”. */
const reasonInWords: Record<OrderReason, string> = {
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

/** Why an order is in the list, in a sentence. @param nameOf of an offer */
export function whyInWords(
  { verdict, because, offer }: Pick<ListedOrder, 'verdict' | 'because' | 'offer'>,
  nameOf: (offer: string) => string,
): string {
  if (verdict === 'more') return 'The shop charged more than the rules of that day.';
  if (verdict === 'less') return 'The shop charged less than the rules of that day.';
  if (verdict === 'offerNotDue') return `“${nameOf(offer ?? '')}” was redeemed, but gave this cart nothing.`;
  return `It ${reasonInWords[because ?? 'notInZone']}.`;
}
