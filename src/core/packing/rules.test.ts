import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compilePacking, packedGrams } from './rules.ts';

describe('packing', () => {
  test('adds packaging and a percentage, and rounds up once', () => {
    const packing = compilePacking({ packaging: 150, percent: '2.5', roundUpTo: 100 })!;
    // 1010 + 150 + 25.25, of which a started gram counts whole: 1186, rounded up to 1200.
    expect(packedGrams(packing, 1010)).toBe(1200);
    expect(packedGrams(packing, 0)).toBe(200);
  });

  test('left out, nothing is added', () => {
    expect(compilePacking(undefined)).toBeNull();
    expect(packedGrams(compilePacking({})!, 1234)).toBe(1234);
    expect(compilePacking({})!.mostGoods).toBe(Infinity);
  });

  test('a parcel holds as much as leaves it within the limit, and not a gram more', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2000 }),
        fc.integer({ min: 0, max: 400 }).map((tenths) => String(tenths / 10)),
        fc.integer({ min: 1, max: 40_000 }),
        (packaging, percent, most) => {
          const { mostGoods } = compilePacking({ packaging, percent, most })!;
          const unrounded = compilePacking({ packaging, percent })!;
          if (mostGoods > 0) expect(packedGrams(unrounded, mostGoods)).toBeLessThanOrEqual(most);
          expect(packedGrams(unrounded, mostGoods + 1)).toBeGreaterThan(most);
        },
      ),
    );
  });
});
