import fc from 'fast-check';
import { expect, test } from 'vitest';
import { apartMonths, joinMonths, monthsTogether, mostMonths } from './travelling-months.ts';

const named = (orders: readonly number[]) =>
  orders.map((count, index) => ({
    month: `m${index}`,
    orders: count,
    options: [],
    arms: [''],
    hash: String(index).padStart(32, '0'),
  }));
const sizes = (orders: readonly number[]) =>
  monthsTogether(named(orders)).map((group) => group.map((month) => month.orders));

test('small months travel together, large ones by themselves', () => {
  expect(sizes([600, 700, 800])).toEqual([[600, 700, 800]]);
  expect(sizes([40_000, 50_000, 10, 20])).toEqual([[40_000], [50_000], [10, 20]]);
  expect(sizes([20_000, 10_000, 1, 29_999, 1])).toEqual([[20_000, 10_000], [1, 29_999], [1]]);
  expect(sizes([])).toEqual([]);
});

test('all months travel in order, never more at once than an address can name', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(60_000), { maxLength: 200 }), (orders) => {
      const groups = monthsTogether(named(orders));
      expect(groups.flat()).toEqual(named(orders));
      for (const group of groups) expect(group.length).toBeLessThanOrEqual(mostMonths);
    }),
  );
});

test('what comes to the newest month leaves the groups before its own as they were', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(60_000), { minLength: 1, maxLength: 60 }), fc.nat(60_000), (orders, more) => {
      const before = sizes(orders).slice(0, -1);
      const grown = [...orders.slice(0, -1), orders.at(-1)! + more];
      expect(sizes(grown).slice(0, before.length)).toEqual(before);
    }),
  );
});

test('joined months come apart as they were', () => {
  fc.assert(
    fc.property(fc.array(fc.uint8Array({ maxLength: 50 }), { maxLength: 20 }), (months) => {
      expect(apartMonths(joinMonths(months)).map((month) => [...month])).toEqual(months.map((month) => [...month]));
    }),
  );
});

test('bytes that are cut off are not taken for months', () => {
  const joined = joinMonths([Uint8Array.from([1, 2, 3]), Uint8Array.from([4, 5])]);
  for (const length of [1, 3, 5, 6, 9, 12])
    expect(() => apartMonths(joined.subarray(0, length))).toThrow('months are cut off');
  expect(apartMonths(joined.subarray(0, 7))).toHaveLength(1);
});
