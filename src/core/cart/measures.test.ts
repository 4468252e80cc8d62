import { expect, test } from 'vitest';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf } from '../catalogue/product.ts';
import { resolveCart } from './cart.ts';
import { measureCart } from './measures.ts';

const catalogue = catalogueOf(demoProducts);
const measure = (lines: Record<string, number>, market = 'nlbe') => {
  const resolved = resolveCart(Object.entries(lines).map(([product, quantity]) => ({ product, quantity })), catalogue);
  if (!resolved.ok) throw new Error(`unknown: ${JSON.stringify(resolved.unknown)}`);
  return measureCart(resolved.cart, market);
};

test('weight, volume and longest side of what is delivered and charged in the ordinary way', () => {
  // 2 × 420 g, 780 × 90 × 90 mm; 1 × 190 g, 140 × 90 × 50 mm
  expect(measure({ 'tidewing-16': 2, 'line-100': 1 }).charged).toMatchObject({ items: 3, lines: 2, weight: 1030, volume: Math.ceil((2 * 780 * 90 * 90 + 140 * 90 * 50) / 1000), longestSide: 780 });
});
test('downloads, goods that ship free and goods with an own delivery price are not in them', () => {
  expect(measure({ 'plan-box': 3, 'sticker-sheet': 2, 'beach-shelter': 1 }).charged).toMatchObject({ items: 0, lines: 0, weight: 0, volume: 0, longestSide: 0 });
});
test('what has no weight or size counts as nothing and is named', () => {
  const bare = { ...catalogue.get('winder')!, weightGrams: null, sizeMm: null };
  expect(measureCart({ lines: [{ product: bare, quantity: 2 }] }, 'nlbe').charged).toMatchObject({ items: 2, weight: 0, withoutWeight: ['winder'], withoutSize: ['winder'] });
});
test('a product without a price in the market is named', () => expect(measure({ winder: 1 }, 'moon').unpriced).toEqual(['winder']));
test('unknown products are told by position', () => {
  expect(resolveCart([{ product: 'winder', quantity: 1 }, { product: 'no', quantity: 1 }], catalogue)).toEqual({ ok: false, unknown: [{ index: 1, product: 'no' }] });
});
