import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoCatalogue as catalogue, linesOf } from '../../../tests/support/evaluate-store.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { taxRatesAt } from '../markets/terms.ts';
import { resolveLines, type CartLine } from './cart.ts';
import { measureCart } from './measures.ts';

const compiled = compilePolicy(demoPolicy);
const measured = (
  lines: CartLine[],
  market = 'nlbe',
  destination: { country: string; region?: string } = { country: 'NL' },
) => {
  const { terms } = compiled.markets.get(market)!;
  return measureCart({ lines }, terms, taxRatesAt(terms, destination.region), destination).measures;
};
const measure = (quantities: Record<string, number>, market?: string) => measured(linesOf(quantities), market);

test('weight, volume and longest side of what is delivered and charged in the ordinary way', () => {
  // 2 × 420 g, 780 × 90 × 90 mm; 1 × 190 g, 140 × 90 × 50 mm
  expect(measure({ 'tidewing-16': 2, 'line-100': 1 }).charged).toMatchObject({
    items: 3,
    lines: 2,
    weight: 1030,
    volume: Math.ceil((2 * 780 * 90 * 90 + 140 * 90 * 50) / 1000),
    longestSide: 780,
  });
});
test('downloads, goods that ship free and goods with an own delivery price are not in them', () => {
  expect(measure({ 'plan-box': 3, 'sticker-sheet': 2, 'beach-shelter': 1 }).charged).toMatchObject({
    items: 0,
    lines: 0,
    weight: 0,
    volume: 0,
    longestSide: 0,
  });
});
test('what has no weight or size counts as nothing and is named', () => {
  const bare = { ...catalogue.get('winder')!, weightGrams: null, sizeMm: null };
  expect(measured([{ product: bare, quantity: 2 }]).charged).toMatchObject({
    items: 2,
    weight: 0,
    withoutWeight: ['winder'],
    withoutSize: ['winder'],
  });
});
test('a product without a price in the market is named', () =>
  expect(measured([{ product: { ...catalogue.get('winder')!, prices: {} }, quantity: 1 }]).unpriced).toEqual([
    'winder',
  ]));
test('unknown products are told by position', () => {
  expect(
    resolveLines(
      [
        { product: 'winder', quantity: 1 },
        { product: 'no', quantity: 1 },
      ],
      catalogue,
      'nlbe',
    ),
  ).toEqual({ ok: false, unknown: [{ index: 1, product: 'no', withFacts: false }] });
});
test('a price that follows the one in EUR is worked out at the adopted rate', () => {
  // 18.95 EUR × 7.4603 × 1.02 = 144.2001…, up to 5.00: 145.00 DKK; 18.95 × 0.9518 × 1.035 = 18.6679…, to 0.50, less 0.10: 18.40 CHF
  expect(measure({ 'dune-hopper': 2 }, 'dk').goodsValue).toBe(29_000);
  expect(measure({ 'dune-hopper': 1 }, 'ch').goodsValue).toBe(1840);
});
test('what may not go to the destination is named', () => {
  expect(measured(linesOf({ 'skua-power': 1, winder: 1 }), 'us', { country: 'US', region: 'US-HI' }).barred).toEqual([
    'skua-power',
  ]);
  expect(measured(linesOf({ 'skua-power': 1 }), 'us', { country: 'US', region: 'US-NY' }).barred).toEqual([]);
});
