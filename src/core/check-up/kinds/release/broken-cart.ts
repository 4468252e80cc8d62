import { goodsAbout } from '../../../catalogue/goods-about.ts';
import { countInWords } from '../../../charges/count-in-words.ts';
import { anybody } from '../../../conditions/shopper-class.ts';
import { evaluate } from '../../../evaluation/evaluate.ts';
import type { Evaluation } from '../../../evaluation/evaluation.ts';
import { inputOfTestCart } from '../../../evaluation/test-cart-input.ts';
import { localIn, type BrokenIn } from '../../../guarantees/broken.ts';
import type { Looking } from '../../../guarantees/claim.ts';
import type { Along } from '../../../guarantees/look.ts';
import { claimKindOf } from '../../../guarantees/registry.ts';
import { formatMoney } from '../../../money/format.ts';
import type { Guarantee, TestCart } from '../../../policy/types.ts';
import { dayInWords } from '../../../wording/day-in-words.ts';
import { exampleCart } from '../../example-cart.ts';
import type { Examined } from '../../kind.ts';

/** In which zone, for whom, when and with which goods it does not hold, as far as that is not the ordinary. */
export function brokenWhere({ along, zone, market, value }: BrokenIn, { now, locale }: Examined): string {
  if (!along) return '';
  const { shopperClass, situation, order } = along;
  const clock = { timeZone: market.terms.clocks.market, language: locale };
  return [
    market.zones.length > 1 ? `, “${zone.zone.name}”` : '',
    shopperClass.id === anybody.id ? '' : `, for ${shopperClass.name}`,
    situation.instant === now ? '' : `, as on ${dayInWords(situation.instant, clock, true)}`,
    `, with goods of ${formatMoney(value, market.market.currency, locale)}`,
    order.weight > 0 ? ` that weigh ${countInWords('weight', order.weight)}` : '',
    order.items > 1 ? `, ${order.items} pieces` : '',
  ].join('');
}

/** Shares of what an order comes to at which real goods are tried: they seldom come to an amount exactly. */
const near = [1, 1.02, 1.1, 0.99];

/** A cart of real products that breaks a guarantee as an ordinary order was seen to; null where none of those tried does. */
export function brokenCart(guarantee: Guarantee, broken: BrokenIn, along: Along, examined: Examined): TestCart | null {
  const { market, value } = broken;
  const { shopperClass, situation, order, destination } = along;
  const { shopper, codes, channel } = shopperClass;
  const about = {
    ...(order.weight > 0 ? { weight: order.weight } : {}),
    ...(order.items > 1 ? { items: order.items } : {}),
  };
  const empty: TestCart = {
    ...exampleCart(market, destination, { name: guarantee.name, codes }),
    shopper,
    ...(channel === undefined ? {} : { channel }),
    ...(situation.instant === examined.now ? {} : { at: new Date(situation.instant).toISOString() }),
  };
  for (const share of near) {
    for (const lines of goodsAbout(examined.catalogue, market.terms, { value: value * share, ...about })) {
      const cart: TestCart = {
        ...empty,
        lines: Object.fromEntries([...lines].map(([id, quantity], index) => [id, { order: index + 1, quantity }])),
      };
      if (breaks(guarantee, cart, broken, along, examined)) return cart;
    }
  }
  return null;
}

/** Whether a cart by itself breaks a guarantee; of a price that rises it takes two, and one of them is as good. */
function breaks(
  { claim }: Guarantee,
  cart: TestCart,
  { zone, market }: BrokenIn,
  along: Along,
  { compiled, catalogue, now, locale }: Examined,
): boolean {
  if (claim.kind === 'neverRises') return true;
  const of = (one: TestCart): Along => {
    const evaluation = evaluate(compiled, inputOfTestCart(one, catalogue, now).input);
    const guest = { ...one };
    delete guest.shopper;
    delete guest.codes;
    return {
      ...along,
      pricesAt: () => pricesOf(evaluation, zone.options),
      evaluationAt: () => evaluation,
      starts: [],
      guest: () => of(guest),
    };
  };
  const looking: Looking = {
    along: of(cart),
    stretches: [{ from: 0, last: 0 }],
    money: (minor) => formatMoney(minor, market.market.currency, locale),
    local: localIn(zone),
  };
  return claimKindOf(claim).find!(claim, looking) !== null;
}

const pricesOf = ({ options }: Evaluation, shown: readonly { id: string }[]): ReturnType<Along['pricesAt']> =>
  shown.map(({ id }) => options.find(({ optionId }) => optionId === id) ?? null);
