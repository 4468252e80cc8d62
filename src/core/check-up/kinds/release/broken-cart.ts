import { goodsAbout } from '../../../catalogue/goods-about.ts';
import { countInWords } from '../../../charges/count-in-words.ts';
import { compileCondition } from '../../../conditions/compile-condition.ts';
import { anybody } from '../../../conditions/shopper-class.ts';
import { evaluate } from '../../../evaluation/evaluate.ts';
import type { Evaluation, EvaluationInput } from '../../../evaluation/evaluation.ts';
import { prepare } from '../../../evaluation/prepare.ts';
import { inputOfTestCart } from '../../../evaluation/test-cart-input.ts';
import { localIn, type BrokenIn } from '../../../guarantees/broken.ts';
import type { Broken, Looking } from '../../../guarantees/claim.ts';
import type { Along } from '../../../guarantees/look.ts';
import { claimKindOf } from '../../../guarantees/registry.ts';
import { formatMoney } from '../../../money/format.ts';
import type { Guarantee, TestCart } from '../../../policy/types.ts';
import { dayInWords } from '../../../wording/day-in-words.ts';
import { exampleCart } from '../../example-cart.ts';
import type { Examined } from '../../kind.ts';

/** How a guarantee is seen not to hold. */
export interface SeenBroken {
  /** goods value in minor units; grams and pieces where they matter, else 0 and 1 */
  goods: { value: number; weight: number; items: number };
  /** “‘Parcel’ costs €17.00” */
  says: string;
  /** a cart of real products with those goods; null: no one cart shows it, or none was found */
  cart: TestCart | null;
}

/** In which zone, for whom, when and with which goods it does not hold, as far as that is not the ordinary. */
export function brokenWhere(
  { along, zone, market }: BrokenIn,
  { goods: { value, weight, items } }: SeenBroken,
  { now, locale }: Examined,
): string {
  if (!along) return '';
  const { shopperClass, situation } = along;
  const clock = { timeZone: market.terms.clocks.market, language: locale };
  return [
    market.zones.length > 1 ? `, “${zone.zone.name}”` : '',
    shopperClass.id === anybody.id ? '' : `, for ${shopperClass.name}`,
    situation.instant === now ? '' : `, as on ${dayInWords(situation.instant, clock, true)}`,
    value > 0 ? `, with goods of ${formatMoney(value, market.market.currency, locale)}` : '',
    weight > 0 ? ` that weigh ${countInWords('weight', weight)}` : '',
    items > 1 ? `, ${items} pieces` : '',
  ].join('');
}

/** Shares of what an order comes to at which real goods are tried: they seldom come to an amount exactly. */
const near = [1, 1.02, 1.1, 0.99];

/** A cart of real products that breaks a guarantee, with its own amounts; where none does of those tried, an order that was seen to. */
export function seenBroken(guarantee: Guarantee, broken: BrokenIn, examined: Examined): SeenBroken {
  const { along, value, says } = broken;
  const { weight, items } = along?.order ?? { weight: 0, items: 1 };
  const seen: SeenBroken = { goods: { value, weight, items }, says, cart: null };
  if (!along) return seen;
  if (guarantee.claim.kind === 'neverRises') return { ...seen, cart: cartAtRise(guarantee, broken, along, examined) };
  for (const cart of cartsAbout(guarantee, broken, along, examined)) {
    const evaluation = evaluated(cart, examined);
    const found = brokenBy(guarantee, { cart, evaluation }, broken, along, examined);
    if (!found || !evaluation.measures) continue;
    const { goodsValue, charged, items: pieces } = evaluation.measures;
    return {
      goods: { value: goodsValue, weight: weight > 0 ? charged.weight : 0, items: items > 1 ? pieces : 1 },
      says: found.says,
      cart,
    };
  }
  return seen;
}

/** That a price rises takes two carts to see. @returns the dearer: one that is charged as was said, else one of about that value */
function cartAtRise(guarantee: Guarantee, broken: BrokenIn, along: Along, examined: Examined): TestCart | null {
  const carts = [...cartsAbout(guarantee, broken, along, examined)];
  const said = along.pricesAt(broken.value);
  const asSaid = (cart: TestCart): boolean =>
    pricesOf(evaluated(cart, examined), broken.zone.options).every(
      (price, index) => price?.after === said[index]?.after,
    );
  return carts.find(asSaid) ?? carts[0] ?? null;
}

/** Carts of real products that come to about what an order did, the nearest first; those that the guarantee is about. */
function* cartsAbout(
  guarantee: Guarantee,
  { market, value }: BrokenIn,
  { shopperClass, situation, order, destination }: Along,
  examined: Examined,
): Generator<TestCart> {
  const { catalogue, now, compiled } = examined;
  const condition = guarantee.when ? compileCondition(guarantee.when, compiled.policy.qualifiers, market.terms) : null;
  const { shopper, codes, channel } = shopperClass;
  const about = {
    ...(order.weight > 0 ? { weight: order.weight } : {}),
    ...(order.items > 1 ? { items: order.items } : {}),
  };
  const empty: TestCart = {
    ...exampleCart(market, destination, { name: guarantee.name, codes }),
    shopper,
    ...(channel === undefined ? {} : { channel }),
    ...(situation.instant === now ? {} : { at: new Date(situation.instant).toISOString() }),
  };
  for (const share of near)
    for (const lines of goodsAbout(catalogue, market.terms, { value: value * share, ...about })) {
      const cart: TestCart = {
        ...empty,
        lines: Object.fromEntries([...lines].map(([id, quantity], index) => [id, { order: index + 1, quantity }])),
      };
      const context = condition && prepare(compiled, inputOf(cart, examined)).context;
      if (!condition || (context && condition.holds(context.facts))) yield cart;
    }
}

const inputOf = (cart: TestCart, { catalogue, now }: Examined): EvaluationInput =>
  inputOfTestCart(cart, catalogue, now).input;

const evaluated = (cart: TestCart, examined: Examined): Evaluation =>
  evaluate(examined.compiled, inputOf(cart, examined));

/** What is otherwise than guaranteed with a cart by itself; null: nothing is. */
function brokenBy(
  { claim }: Guarantee,
  { cart, evaluation }: { cart: TestCart; evaluation: Evaluation },
  { zone, market }: BrokenIn,
  along: Along,
  examined: Examined,
): Broken | null {
  const seen = (evaluation: Evaluation): Omit<Along, 'guest'> => ({
    ...along,
    pricesAt: () => pricesOf(evaluation, zone.options),
    evaluationAt: () => evaluation,
    starts: [],
  });
  /** The same cart of a guest, as `along.guest` is one: nobody in particular, without codes, wherever carts usually are. */
  const ofGuest = (): Along => {
    const { shopper: _, codes: __, channel: ___, ...guests } = cart;
    return { ...seen(evaluated(guests, examined)), guest: ofGuest };
  };
  const looking: Looking = {
    along: { ...seen(evaluation), guest: ofGuest },
    stretches: [{ from: 0, last: 0 }],
    money: (minor) => formatMoney(minor, market.market.currency, examined.locale),
    local: localIn(zone),
  };
  return claimKindOf(claim).find!(claim, looking);
}

const pricesOf = ({ options }: Evaluation, shown: readonly { id: string }[]): ReturnType<Along['pricesAt']> =>
  shown.map(({ id }) => options.find(({ optionId }) => optionId === id) ?? null);
