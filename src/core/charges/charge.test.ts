import { describe, expect, test } from 'vitest';
import { smallStore } from '../../../tests/support/small-store.ts';
import type { HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { hypotheticalContext } from '../evaluation/context.ts';
import { compileTerms } from '../markets/terms.ts';
import type { Charge, ChargeLine, Quotes } from '../policy/types.ts';
import { chargeMeasureOf } from './charge-measure-of.ts';
import type { ChargeInput } from './charge-input.ts';
import { linesOfCharge, priceOfCharge, withHandling } from './charge.ts';
import { compileCharge } from './compile-charge.ts';

const zone = compilePolicy(smallStore).markets.get('nlbe')!.zones[0]!;
const charge = (lines: Omit<ChargeLine, 'order'>[], change: Partial<Charge> = {}): Charge => ({
  combine: 'first',
  lines: Object.fromEntries(lines.map((line, order) => [`line-${order}`, { order, ...line }])),
  otherwise: { kind: 'notOffered' },
  ...change,
});
/** An order of that value which weighs and fills so much. */
const of = (value: number, filled: Partial<HypotheticalOrder> = {}, quotes: Quotes = {}): ChargeInput =>
  hypotheticalContext(
    zone,
    { value, items: 1, weight: 0, volume: 0, longestSide: 0, ...filled },
    { destination: { country: 'NL', postcode: '' }, instant: 0, quotes },
  );
const compiled = (definition: Charge) => compileCharge(definition, zone.market.terms, {});
const price = (definition: Charge, input: ChargeInput) => priceOfCharge(compiled(definition), input);

describe('ranges', () => {
  const stepped = charge([
    { over: { measure: 'goodsValue', from: { exact: 0 }, to: { exact: 4000 } }, price: { fixed: { exact: 695 } } },
    { over: { measure: 'goodsValue', from: { exact: 4000 }, to: { exact: 9000 } }, price: { fixed: { exact: 395 } } },
  ]);
  test('the lower bound is in, the upper bound is out (common practice)', () => {
    expect([3999, 4000, 8999, 9000].map((value) => price(stepped, of(value)))).toEqual([695, 395, 395, null]);
  });
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
  test.each([
    ['first', 500],
    ['sum', 1400],
    ['highest', 900],
    ['lowest', 500],
  ] as const)('%s', (combine, expected) => expect(price(charge(lines, { combine }), long)).toBe(expected));
});

describe('per unit', () => {
  const perKilo = (started: boolean, more: Partial<ChargeLine['price']> = {}) =>
    charge([
      {
        over: { measure: 'weight', from: 1000, to: null },
        price: {
          fixed: { exact: 600 },
          perUnit: { measure: 'weight', amount: { exact: 125 }, per: 1000, started },
          ...more,
        },
      },
    ]);
  test('counts from the start of the range, every started unit whole or in proportion', () => {
    expect([1000, 1001, 2000, 2001].map((weight) => price(perKilo(true), of(1, { weight })))).toEqual([
      600, 725, 725, 850,
    ]);
    expect([1000, 1004, 1500, 2000].map((weight) => price(perKilo(false), of(1, { weight })))).toEqual([
      600, 601, 663, 725,
    ]);
  });
  test('kept between minimum and maximum', () => {
    expect(price(perKilo(true, { min: { exact: 700 } }), of(1, { weight: 1000 }))).toBe(700);
    expect(price(perKilo(true, { max: { exact: 800 } }), of(1, { weight: 9000 }))).toBe(800);
  });
  test('first item and each further', () => {
    const furthers = charge([
      {
        over: { measure: 'items', from: 1, to: null },
        price: { fixed: { exact: 450 }, perUnit: { measure: 'items', amount: { exact: 100 }, per: 1, started: true } },
      },
    ]);
    expect([1, 2, 5].map((items) => price(furthers, of(1, { items })))).toEqual([450, 550, 850]);
  });
});

describe('chargeable weight', () => {
  // Volumetric divisors 5000 and 6000 cm³/kg: common practice.
  test('is the larger of weight and volume by its divisor', () => {
    const chargeableAt = ({ facts }: ChargeInput, volumeDivisor: number) =>
      chargeMeasureOf('chargeableWeight', facts.cart, { volumeDivisor, packing: null, ownOf: null });
    const bulky = of(1, { weight: 4000, volume: 30_000 });
    expect(chargeableAt(bulky, 5000)).toBe(6000);
    expect(chargeableAt(bulky, 6000)).toBe(5000);
    expect(chargeableAt(of(1, { weight: 7000, volume: 30_000 }), 5000)).toBe(7000);
  });
});

describe('a percentage of the goods', () => {
  const share = (basis: 'afterDiscountsWithTax' | 'afterDiscountsWithoutTax', more = {}) =>
    charge([{ price: { percent: '12.5', basis, ...more } }]);
  test('is rounded once, half away from zero, in the basis it names', () => {
    expect([1000, 1004, 1012].map((value) => price(share('afterDiscountsWithTax'), of(value)))).toEqual([
      125, 126, 127,
    ]);
    // 12.10 with 21 % tax is 10.00 without.
    expect(price(share('afterDiscountsWithoutTax'), of(1210))).toBe(125);
  });
  test('is kept between minimum and maximum', () => {
    const bounded = share('afterDiscountsWithTax', { min: { exact: 300 }, max: { exact: 900 } });
    expect([0, 2400, 2800, 7200, 9000].map((value) => price(bounded, of(value)))).toEqual([300, 300, 350, 900, 900]);
  });
});

describe('a carrier’s quote', () => {
  const quoted = (more = {}) =>
    charge([
      { price: { carrier: 'post', marginPercent: '12.5', marginFixed: { exact: 40 }, ...more } },
      { price: { fixed: { exact: 999 } } },
    ]);
  test('with its margins, the percentage rounded once', () =>
    expect(price(quoted(), of(1, {}, { post: 1004 }))).toBe(1130 + 40));
  test('without an answer: the fallback as it is, else the line does not apply', () => {
    expect(price(quoted({ fallback: { exact: 1490 } }), of(1, {}, { post: null }))).toBe(1490);
    expect(price(quoted(), of(1, {}, { post: null }))).toBe(999);
    expect(price(quoted(), of(1))).toBe(999);
  });
});

describe('handling', () => {
  test('a fixed amount or a percentage of the charge, rounded once', () => {
    expect(withHandling(compiled(charge([], { handling: { amount: { exact: 150 } } })), 500)).toBe(650);
    expect(withHandling(compiled(charge([], { handling: { percent: '7.5' } })), 500)).toBe(538);
    expect(withHandling(compiled(charge([])), 500)).toBe(500);
  });
});

test('a line whose condition does not hold is passed over, and the first that applies wins (common practice)', () => {
  const heavy = charge([
    {
      when: {
        of: 'all',
        conditions: { heavy: { order: 1, kind: 'number', fact: 'cart.weight', operator: 'moreThan', value: 999 } },
      },
      price: { fixed: { exact: 900 } },
    },
    { price: { fixed: { exact: 500 } } },
  ]);
  expect([999, 1000].map((weight) => price(heavy, of(1, { weight })))).toEqual([500, 900]);
  expect(linesOfCharge(compiled(heavy), of(1, { weight: 1000 })).map(({ line }) => line.id)).toEqual(['line-0']);
});

test('a line with a following amount and no adopted rate never applies', () => {
  const following = charge([
    { price: { fixed: { following: { base: 100, buffer: '0', round: 'nearest', step: 1, less: 0 } } } },
  ]);
  expect(
    priceOfCharge(
      compileCharge(following, compileTerms(smallStore.markets.uk!, { ...smallStore, id: 'uk' }), {}),
      of(1),
    ),
  ).toBeNull();
});
