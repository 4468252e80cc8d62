import { reasonOfOrder } from '../findings/reason-of-order.ts';
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

/** Why an order is in the list, in a sentence. @param nameOf of an offer */
export function whyInWords(
  { verdict, because, offer }: Pick<ListedOrder, 'verdict' | 'because' | 'offer'>,
  nameOf: (offer: string) => string,
): string {
  if (verdict === 'more') return 'The shop charged more than the rules of that day.';
  if (verdict === 'less') return 'The shop charged less than the rules of that day.';
  if (verdict === 'offerNotDue') return `“${nameOf(offer ?? '')}” was redeemed, but gave this cart nothing.`;
  return `It ${reasonOfOrder[because ?? 'notInZone']}.`;
}
