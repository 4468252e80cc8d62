import { describe, expect, test } from 'vitest';
import { measuresOfValue, type ChargedMeasures, type Measures } from '../cart/measures.ts';
import type { LocalMoney } from '../money/local-amount.ts';
import type { Charge, ChargeLine } from '../policy/types.ts';
import { chargeMeasure } from './charge-measure.ts';
import { chargeBreakpoints, compileCharge, priceOfCharge } from './charge.ts';

const eur: LocalMoney = { currency: 'EUR', baseCurrency: 'EUR', rate: '1', cashIncrement: undefined };
const charge = (lines: Omit<ChargeLine, 'order'>[], change: Partial<Charge> = {}): Charge => ({
  combine: 'first',
  lines: Object.fromEntries(lines.map((line, order) => [`line-${order}`, { order, ...line }])),
  otherwise: { kind: 'notOffered' },
  ...change,
});
const of = (value: number, charged: Partial<ChargedMeasures> = {}): Measures =>
  measuresOfValue(value, { items: 1, lines: 1, weight: 0, volume: 0, longestSide: 0, withoutWeight: [], withoutSize: [], ...charged });
const price = (definition: Charge, measures: Measures) => priceOfCharge(compileCharge(definition, eur), measures);

describe('ranges', () => {
  const stepped = charge([
    { over: { measure: 'goodsValue', from: { exact: 0 }, to: { exact: 4000 } }, price: { fixed: { exact: 695 } } },
    { over: { measure: 'goodsValue', from: { exact: 4000 }, to: { exact: 9000 } }, price: { fixed: { exact: 395 } } },
  ]);
  test('the lower bound is in, the upper bound is out (common practice)', () => {
    expect([3999, 4000, 8999, 9000].map((value) => price(stepped, of(value)))).toEqual([695, 395, 395, null]);
  });
  test('its breakpoints are the edges', () => expect(chargeBreakpoints(compileCharge(stepped, eur))).toEqual([4000, 9000]));
  test('when no line applies: not offered, or a stated price', () => {
    expect(price({ ...stepped, otherwise: { kind: 'price', price: { exact: 100 } } }, of(9000))).toBe(100);
  });
});

describe('ways to combine the lines that apply', () => {
  const lines = [
    { over: { measure: 'weight' as const, from: 0, to: null }, price: { fixed: { exact: 500 } } },
    { over: { measure: 'longestSide' as const, from: 1200, to: null }, price: { fixed: { exact: 900 } } },
    { over: { measure: 'items' as const, from: 100, to: null }, price: { fixed: { exact: 9999 } } },
  ];
  const long = of(2000, { weight: 700, longestSide: 1450 });
  test.each([['first', 500], ['sum', 1400], ['highest', 900], ['lowest', 500]] as const)('%s', (combine, expected) => expect(price(charge(lines, { combine }), long)).toBe(expected));
});

describe('per unit', () => {
  const perKilo = (started: boolean, more: Partial<ChargeLine['price']> = {}) => charge([{ over: { measure: 'weight', from: 1000, to: null }, price: { fixed: { exact: 600 }, perUnit: { measure: 'weight', amount: { exact: 125 }, per: 1000, started }, ...more } }]);
  test('counts from the start of the range, every started unit whole or in proportion', () => {
    expect([1000, 1001, 2000, 2001].map((weight) => price(perKilo(true), of(1, { weight })))).toEqual([600, 725, 725, 850]);
    expect([1000, 1004, 1500, 2000].map((weight) => price(perKilo(false), of(1, { weight })))).toEqual([600, 601, 663, 725]);
  });
  test('kept between minimum and maximum', () => {
    expect(price(perKilo(true, { min: { exact: 700 } }), of(1, { weight: 1000 }))).toBe(700);
    expect(price(perKilo(true, { max: { exact: 800 } }), of(1, { weight: 9000 }))).toBe(800);
  });
  test('first item and each further', () => {
    const furthers = charge([{ over: { measure: 'items', from: 1, to: null }, price: { fixed: { exact: 450 }, perUnit: { measure: 'items', amount: { exact: 100 }, per: 1, started: true } } }]);
    expect([1, 2, 5].map((items) => price(furthers, of(1, { items })))).toEqual([450, 550, 850]);
  });
});

describe('chargeable weight', () => {
  // Volumetric divisors 5000 and 6000 cm³/kg: common practice.
  test('is the larger of weight and volume by its divisor', () => {
    const bulky = of(1, { weight: 4000, volume: 30_000 });
    expect(chargeMeasure('chargeableWeight', bulky, 5000)).toBe(6000);
    expect(chargeMeasure('chargeableWeight', bulky, 6000)).toBe(5000);
    expect(chargeMeasure('chargeableWeight', of(1, { weight: 7000, volume: 30_000 }), 5000)).toBe(7000);
  });
});

test('a line with a following amount and no adopted rate never applies', () => {
  const following = charge([{ price: { fixed: { following: { base: 100, buffer: '0', round: 'nearest', step: 1, less: 0 } } } }]);
  expect(priceOfCharge(compileCharge(following, { ...eur, currency: 'GBP', rate: null }), of(1))).toBeNull();
});
