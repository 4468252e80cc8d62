import { ordinaryCart } from '../catalogue/ordinary-cart.ts';
import { priceIn } from '../catalogue/product-amount.ts';
import type { Catalogue, Product } from '../catalogue/product.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import { inputOfTestCart } from '../evaluation/test-cart-input.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { Policy, TestCart } from '../policy/types.ts';
import { renderLead } from '../wording/render.ts';
import { placeIds } from '../wording/places.ts';
import { differencesOf, offeredIn } from './difference.ts';
import type { EffectEntry } from './effect.ts';

/** No cart is put together of more pieces. */
const mostPieces = 999;
/** So many carts are tried. */
const mostTried = 6;

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

type Lines = ReadonlyMap<string, number>;

/** Goods that come to a place in the stretch: of an amount at its start, on the way and at its end. */
function linesInStretch({ axis, from, to, order }: EffectEntry, terms: MarketTerms, catalogue: Catalogue): Lines[] {
  if (axis === 'goodsValue') {
    const last = to === null ? from * 2 : to - 1;
    return [from, (from + last) / 2, last]
      .map((amount) => ordinaryCart(catalogue, terms, Math.max(1, Math.round(amount))))
      .filter((lines) => lines.size > 0);
  }
  const ofOne = [...catalogue.values()].flatMap((product): { lines: Lines; off: number }[] => {
    const price = priceIn(product, terms);
    const quantity = piecesThatReach(from, axis, product);
    if (price === undefined || quantity === null || quantity > mostPieces || !product.needsDelivery) return [];
    return [{ lines: new Map([[product.id, quantity]]), off: Math.abs(price * quantity - (order ?? 0)) }];
  });
  return ofOne
    .sort((a, b) => a.off - b.off)
    .slice(0, mostTried)
    .map(({ lines }) => lines);
}

function piecesThatReach(from: number, axis: 'weight' | 'items', { weightGrams }: Product): number | null {
  if (axis === 'items') return Math.max(1, from);
  return weightGrams ? Math.max(1, Math.ceil(from / weightGrams)) : null;
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
