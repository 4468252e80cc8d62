import { goodsAbout } from '../catalogue/goods-about.ts';
import type { Catalogue } from '../catalogue/product.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import { inputOfTestCart } from '../evaluation/test-cart-input.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { Policy, TestCart } from '../policy/types.ts';
import { renderLead } from '../wording/render.ts';
import { placeIds } from '../wording/places.ts';
import { differencesOf, offeredIn } from './difference.ts';
import type { EffectEntry } from './effect.ts';

/**
 * A cart of real products in a stretch, as near to its start as products come, in which something is otherwise between two
 * policies; where no such cart is found, one about there. @returns null where there are no products to make one of
 */
export function edgeCart(entry: EffectEntry, was: Policy, is: Policy, catalogue: Catalogue): TestCart | null {
  const { market, terms } = compilePolicy(is.markets[entry.marketId] ? is : was).markets.get(entry.marketId)!;
  const [{ name, shopper, codes, channel } = { name: '', shopper: undefined, codes: [], channel: undefined }] =
    entry.classes;
  const carts = linesInStretch(entry, terms, catalogue).map((lines): TestCart => ({
    order: 1,
    name: `At the edge, ${name}`.slice(0, 80),
    pinned: false,
    language: market.languages[0]!,
    destination: entry.destination,
    lines: Object.fromEntries([...lines].map(([id, quantity], index) => [id, { order: index + 1, quantity }])),
    ...(shopper ? { shopper } : {}),
    ...(codes.length > 0 ? { codes: [...codes] } : {}),
    ...(channel === undefined ? {} : { channel }),
    ...(entry.when === 'later' ? { at: new Date(entry.moments[0]!).toISOString() } : {}),
  }));
  return carts.find((cart) => differs(cart, entry, was, is, catalogue)) ?? carts[0] ?? null;
}

/** Goods that come to a place in the stretch: of an amount at its start, on the way and at its end. */
function linesInStretch(
  { axis, from, to, order }: EffectEntry,
  terms: MarketTerms,
  catalogue: Catalogue,
): ReadonlyMap<string, number>[] {
  if (axis !== 'goodsValue') return goodsAbout(catalogue, terms, { value: order ?? 0, [axis]: from });
  const last = to === null ? from * 2 : to - 1;
  return [from, (from + last) / 2, last].flatMap((value) => goodsAbout(catalogue, terms, { value }));
}

function differs(cart: TestCart, { moments }: EffectEntry, was: Policy, is: Policy, catalogue: Catalogue): boolean {
  const [before, after] = [was, is].map((policy) => {
    const compiled = compilePolicy(policy);
    const evaluation = evaluate(compiled, inputOfTestCart(cart, catalogue, moments[0]!).input);
    const read = placeIds.map((place) => renderLead(compiled, evaluation, place, cart.language)?.text);
    return { offered: offeredIn(evaluation), read };
  });
  return (
    differencesOf(before!.offered, after!.offered).length > 0 ||
    before!.read.some((text, index) => text !== after!.read[index])
  );
}
