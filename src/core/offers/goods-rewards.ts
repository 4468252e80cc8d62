import { shownBasis } from '../cart/basis.ts';
import { lineValue, unitPriceOf } from '../cart/line-values.ts';
import type { MeasuredCart } from '../cart/measures.ts';
import { selects } from '../catalogue/goods-selection.ts';
import { allocate } from '../money/allocate.ts';
import type { ActiveOffer } from './active-offers.ts';
import type { SetBy } from './delivery-rewards.ts';

/** A gift that comes with the order. */
export interface Gift extends SetBy {
  product: string;
  quantity: number;
}

/** What offers take off the goods, as shown, in minor units. Goals, charges and conditions look at the goods before it. */
export interface GoodsRewarded {
  off: number;
  /** by line; null when nothing is taken off */
  byLine: readonly number[] | null;
  setBy: readonly SetBy[];
}

export const nothingOff: GoodsRewarded = { off: 0, byLine: null, setBy: [] };

/** Combined and compared as rewards on delivery are: what is lowest for the shopper counts. */
export function rewardedGoods(cart: MeasuredCart, active: readonly ActiveOffer[]): GoodsRewarded {
  if (!gives(active, 'onGoods')) return nothingOff;
  let best: GoodsRewarded & { rank: number } = { ...nothingOff, rank: -1 };
  let combination = null as (GoodsRewarded & { rank: number }) | null;
  for (const offer of active) {
    if (!offer.rewards.some(({ reward }) => reward.acts === 'onGoods')) continue;
    const start: readonly number[] =
      offer.combines && combination?.byLine ? combination.byLine : cart.lines.map(() => 0);
    const { byLine, goalId } = takeOff(cart, offer, start);
    const off = byLine.reduce((sum, part) => sum + part, 0);
    const setBy = goalId === null ? [] : [{ offerId: offer.offerId, goalId }];
    if (offer.combines)
      combination = {
        off,
        byLine,
        setBy: [...(combination?.setBy ?? []), ...setBy],
        rank: combination?.rank ?? offer.rank,
      };
    else if (off > best.off) best = { off, byLine, setBy, rank: offer.rank };
  }
  if (
    combination &&
    combination.off > 0 &&
    (combination.off > best.off || (combination.off === best.off && best.rank > combination.rank))
  )
    best = combination;
  return best.off > 0 ? best : nothingOff;
}

function takeOff(
  cart: MeasuredCart,
  { rewards }: ActiveOffer,
  start: readonly number[],
): { byLine: number[]; goalId: string | null } {
  const byLine = [...start];
  let by: string | null = null;
  for (const { goalId, reward } of rewards) {
    if (reward.acts !== 'onGoods') continue;
    const among = cart.lines.map(({ product }, index) =>
      reward.goods === null || selects(reward.goods, product, unitPriceOf(cart, index))
        ? lineValue(cart, index, shownBasis) - byLine[index]!
        : 0,
    );
    const off = reward.off(among.reduce((sum, value) => sum + value, 0));
    allocate(off, among).forEach((part, index) => (byLine[index] = byLine[index]! + part));
    if (off > 0) by = goalId;
  }
  return { byLine, goalId: by };
}

function gives(active: readonly ActiveOffer[], acts: 'onGoods' | 'asGift'): boolean {
  for (let index = 0; index < active.length; index++) {
    const { rewards } = active[index]!;
    for (let at = 0; at < rewards.length; at++) if (rewards[at]!.reward.acts === acts) return true;
  }
  return false;
}

/** The gifts of all active offers. */
export function giftsOf(active: readonly ActiveOffer[]): Gift[] {
  if (!gives(active, 'asGift')) return [];
  return active.flatMap(({ offerId, rewards }) =>
    rewards.flatMap(({ goalId, reward }) =>
      reward.acts === 'asGift' ? [{ offerId, goalId, product: reward.product, quantity: reward.quantity }] : [],
    ),
  );
}
