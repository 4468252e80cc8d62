import { describe, expect, test } from 'vitest';
import { changed, evaluateLines } from '../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import type { CartDiscount, Policy } from '../policy/types.ts';

const goods = { 'petrel-stunt': 1, 'kite-book': 2, 'gift-card-25': 1 }; // 84.95, 2 × 27.50, 25.00
const measure = (discounts: CartDiscount[], codes: string[] = [], policy: Policy = smallStore) =>
  evaluateLines(policy, goods, { cart: { discounts, codes } });

describe('discounts on goods', () => {
  test('a percentage is rounded once and spread by largest remainder', () => {
    const { measures, trace } = measure([{ kind: 'percent', percent: '7.5' }]);
    // 164.95 × 7.5 % = 12.37125
    expect(measures!.goodsValue).toBe(16_495 - 1237);
    expect(measures!.countedValue).toBe(13_995 - 637 - 412);
    expect(
      trace!.children[1]!.children.filter(({ decision }) => decision === 'discount').map(({ outcome }) => outcome),
    ).toEqual([{ kind: 'money', minor: 1237 }]);
  });
  test('one after the other, each on what is left, never below nothing', () => {
    expect(
      measure([
        { kind: 'amount', amount: 10_000 },
        { kind: 'percent', percent: '50' },
      ]).measures!.goodsValue,
    ).toBe(3247);
    expect(measure([{ kind: 'amount', amount: 99_999 }]).measures!.goodsValue).toBe(0);
  });
  test('only on the goods they name', () => {
    expect(measure([{ kind: 'amount', amount: 9000, goods: { categories: ['books'] } }]).measures).toMatchObject({
      goodsValue: 16_495 - 5500,
      countedValue: 8495,
    });
    expect(
      measure([{ kind: 'percent', percent: '10', goods: { unitPriceFrom: { nlbe: { exact: 5000 } } } }]).measures!
        .goodsValue,
    ).toBe(16_495 - 850);
  });
  test('with a code, once it has been entered, whatever its case', () => {
    const discount: CartDiscount = { kind: 'percent', percent: '10', code: 'AUTUMN' };
    expect(measure([discount]).measures!.goodsValue).toBe(16_495);
    expect(measure([discount], [' autumn ']).measures!.goodsValue).toBe(16_495 - 1650);
  });
  test('while the goods before discounts are in their range: the lower end in, the upper out', () => {
    const between = (from: number, below: number) =>
      measure([{ kind: 'amount', amount: 100, from, below }]).measures!.goodsValue;
    expect([between(16_495, 16_496), between(16_496, 20_000), between(0, 16_495)]).toEqual([16_395, 16_495, 16_495]);
  });
  test('charges and goals look at what is left', () => {
    const { options, offers } = evaluateLines(
      smallStore,
      { 'petrel-stunt': 1 },
      { cart: { discounts: [{ kind: 'amount', amount: 5000 }] } },
    );
    expect(options.map(({ before, after }) => [before, after])).toEqual([
      [695, 695],
      [450, 450],
    ]);
    expect(offers[0]!.goals[0]).toMatchObject({ counted: 3495, reached: false });
  });
  test('tax is that of each line after discounts', () => {
    const { totals } = measure([{ kind: 'percent', percent: '10' }]);
    // 84.95, 55.00 (9 %), 25.00 less 8.495, 5.50, 2.50: 76.45, 49.50, 22.50; largest remainder gives the odd cent to the first
    expect(totals).toMatchObject({ goods: 16_495 - 1650, tax: 1327 + 409 + 390 });
  });
});

test('in a market without tax, prices are shown without it and tax comes on top', () => {
  const untaxed = changed(smallStore, (policy) => (policy.markets.nlbe!.tax.prices = 'withoutTax'));
  const { options, totals } = evaluateLines(untaxed, { winder: 1 });
  expect(options[0]).toMatchObject({ before: 695, after: 695, tax: 146 });
  expect(totals).toEqual({ goods: 495, goodsReward: 0, delivery: 695, tax: 104 + 146, toPay: 495 + 695 + 250 });
});

test('rates of a region hold for goods and delivery sent there', () => {
  const regional = changed(
    smallStore,
    (policy) => (policy.markets.nlbe!.tax.regions = { 'NL-FR': { delivery: '9', classes: { standard: '6' } } }),
  );
  const taxIn = (region: string) =>
    evaluateLines(regional, { winder: 1 }, { destination: { country: 'NL', postcode: '', region } });
  expect(taxIn('NL-FR')).toMatchObject({ totals: { tax: 28 + 57 } });
  expect(taxIn('NL-NH')).toMatchObject({ totals: { tax: 86 + 121 } });
});
