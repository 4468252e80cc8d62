import type { Evaluation } from '../../core/evaluation/evaluation.ts';
import { outcomeOf, redeemedOffers } from '../../core/orders/placed/outcome.ts';
import type { Policy, Redemptions } from '../../core/policy/types.ts';
import type { Soon } from '../soon.ts';
import { reserve, type LimitedUse } from './reserve.ts';

/** What is kept for whom. */
interface Promising {
  policy: Policy;
  shopper: Buffer;
  minutes: number;
  /** what the shop says itself of offers’ uses: those are its own affair */
  said: Redemptions | undefined;
}

/**
 * Reserves a use of every offer that is limited in all and promised by what a cart may get. What is gone is promised no longer:
 * the cart is evaluated anew, and another offer that takes its place is reserved in its turn.
 *
 * @param evaluated the cart under some counts of redemptions
 * @returns the cart as it can be promised, and the offers that are reserved
 */
export async function promised<T extends { evaluation: Evaluation }>(
  { policy, shopper, minutes, said }: Promising,
  counts: Redemptions | undefined,
  evaluated: (redemptions: Redemptions | undefined) => Soon<T>,
): Promise<{ cart: T; offers: string[] }> {
  let redemptions = counts;
  for (;;) {
    const cart = await evaluated(redemptions);
    const wanted = limitedUses(policy, cart.evaluation, said);
    const gone = await reserve(wanted, shopper, minutes);
    if (gone.length === 0) return { cart, offers: wanted.map(({ offer }) => offer) };
    redemptions = { ...redemptions, ...usedUp(policy, gone, redemptions) };
  }
}

const limitedUses = ({ offers }: Policy, evaluation: Evaluation, said: Redemptions | undefined): LimitedUse[] =>
  redeemedOffers(outcomeOf(evaluation)).flatMap((offer) => {
    const limit = offers[offer]?.limits?.inAll;
    return limit === undefined || (said && Object.hasOwn(said, offer)) ? [] : [{ offer, limit }];
  });

const usedUp = ({ offers }: Policy, gone: readonly string[], redemptions: Redemptions | undefined): Redemptions =>
  Object.fromEntries(gone.map((offer) => [offer, { ...redemptions?.[offer], inAll: offers[offer]!.limits!.inAll! }]));
