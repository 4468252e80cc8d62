import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { smallStore } from '../../../../tests/support/small-store.ts';
import { ordinaryProduct } from '../../../../tests/support/random-policy.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import { taxRatesAt } from '../../markets/terms.ts';
import { cartOfHypotheticalOrder } from '../hypothetical-cart.ts';
import { orderOfValue } from '../hypothetical-order.ts';
import { measureCart } from '../measures.ts';
import { chargeableWeightOf, packedCart } from './packed-cart.ts';
import { compilePacking } from '../../packing/rules.ts';

const { terms } = compilePolicy(smallStore).markets.get('nlbe')!;
const rates = taxRatesAt(terms, undefined);
const measured = (...lines: [grams: number | null, quantity: number, sizeMm?: [number, number, number]][]) =>
  measureCart(
    {
      lines: lines.map(([weightGrams, quantity, sizeMm = null as never], index) => ({
        product: ordinaryProduct(1000, { id: `product-${index}`, weightGrams, sizeMm: sizeMm ?? null }),
        quantity,
      })),
    },
    terms,
    rates,
    { country: 'NL' },
  );

describe('a packed cart', () => {
  test('counts parcels, and weighs each with its packaging', () => {
    const packed = packedCart(
      measured([1800, 2], [400, 1]),
      compilePacking({ packaging: 100, roundUpTo: 500, most: 2500 })!,
      'charged',
    );
    // 1800 + 400 + 100 and 1800 + 100, each rounded up to half a kilogram.
    expect(packed).toMatchObject({ parcels: 2, weight: 2500 + 2000 });
  });

  test('takes the larger of weight and volume parcel by parcel', () => {
    const packed = packedCart(
      measured([2000, 1], [900, 1, [500, 400, 100]]),
      compilePacking({ most: 2000 })!,
      'charged',
    );
    // One parcel of 2000 g; one of 900 g whose 20,000 cm³ count as 4 kg.
    expect([packed.parcels, packed.weight, chargeableWeightOf(packed, 5000)]).toEqual([2, 2900, 6000]);
  });

  test('a hypothetical order’s measures never fall as it gets heavier', () => {
    fc.assert(
      fc.property(
        fc.record({
          packaging: fc.integer({ min: 0, max: 500 }),
          percent: fc.constantFrom('0', '3', '12.5'),
          roundUpTo: fc.constantFrom(1, 100, 500),
          most: fc.integer({ min: 1, max: 5000 }),
        }),
        fc.integer({ min: 0, max: 60_000 }),
        fc.integer({ min: 1, max: 3000 }),
        (rules, weight, more) => {
          const packing = compilePacking(rules)!;
          const at = (grams: number) =>
            packedCart(
              cartOfHypotheticalOrder({ ...orderOfValue(1000), weight: grams }, terms, rates),
              packing,
              'charged',
            );
          const [light, heavy] = [at(weight), at(weight + more)];
          expect(heavy.parcels).toBeGreaterThanOrEqual(light.parcels);
          expect(heavy.weight).toBeGreaterThanOrEqual(light.weight);
          expect(chargeableWeightOf(heavy, 5000)).toBeGreaterThanOrEqual(chargeableWeightOf(light, 5000));
        },
      ),
    );
  });
});
