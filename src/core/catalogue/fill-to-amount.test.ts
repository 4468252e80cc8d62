import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fillToAmount, type Priced } from './fill-to-amount.ts';

const goods = (...prices: number[]): Priced[] => prices.map((price, index) => ({ id: `p${index}`, price }));
const valueOf = (filled: ReadonlyMap<string, number>, from: readonly Priced[]) =>
  [...filled].reduce((sum, [id, pieces]) => sum + pieces * from.find((other) => other.id === id)!.price, 0);

/** Every sum that some pieces make, by trying all of them. */
function allSums(prices: readonly number[], most: number): Set<number> {
  const sums = new Set<number>();
  const add = (index: number, sum: number) => {
    if (index === prices.length) {
      if (sum > 0) sums.add(sum);
      return;
    }
    for (let total = sum; total <= most; total += prices[index]!) add(index + 1, total);
  };
  add(0, 0);
  return sums;
}

describe('a cart filled to an amount', () => {
  test('comes as near as any does', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 3, max: 60 }), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 150 }),
        (prices, amount) => {
          const from = goods(...prices);
          const nearest = Math.min(...[...allSums(prices, amount + 60)].map((sum) => Math.abs(sum - amount)));
          expect(Math.abs(valueOf(fillToAmount(from, amount), from) - amount)).toBe(nearest);
        },
      ),
    );
  });
  test('in as few pieces as can be, the lower of two as near', () => {
    expect([...fillToAmount(goods(100, 250, 500), 1000)]).toEqual([['p2', 2]]);
    expect(valueOf(fillToAmount(goods(400, 600), 500), goods(400, 600))).toBe(400);
  });
  test('something is in it even where everything is dearer, and nothing where nothing has a price', () => {
    expect([...fillToAmount(goods(900, 700), 100)]).toEqual([['p1', 1]]);
    expect(fillToAmount([{ id: 'a', price: 0 }], 100).size).toBe(0);
  });
  test('large amounts in small coins stay near', () => {
    const from = goods(199_999, 54_321, 9_875);
    expect(Math.abs(valueOf(fillToAmount(from, 40_000_000), from) - 40_000_000)).toBeLessThan(40_000_000 / 1000);
  });
});
