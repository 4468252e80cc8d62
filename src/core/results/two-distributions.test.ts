import fc from 'fast-check';
import { expect, test } from 'vitest';
import { emptyColumns } from '../orders/columns.ts';
import { twoDistributions } from './two-distributions.ts';

const [before, after] = [
  { from: 0, to: 10 },
  { from: 10, to: 20 },
];

test('shares of bands and what lies beyond them come to all orders of each window, however they are', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ goods: fc.oneof(fc.nat(20_000), fc.nat(5_000_000_000)), day: fc.nat(24) }), {
        maxLength: 80,
      }),
      (orders) => {
        const columns = emptyColumns(orders.length);
        for (const [index, { goods, day }] of orders.entries())
          [columns.goods[index], columns.day[index]] = [goods, day];
        const found = twoDistributions(columns, before, after);
        const within = ({ from, to }: { from: number; to: number }) =>
          orders.filter(({ day }) => day >= from && day < to);
        if (!found) {
          expect(within(before).length * within(after).length).toBe(0);
          return;
        }
        expect(found.before.length).toBe(found.after.length);
        expect(found.before.length).toBeLessThanOrEqual(60);
        for (const [shares, beyond, of] of [
          [found.before, found.beyond[0], within(before)],
          [found.after, found.beyond[1], within(after)],
        ] as const) {
          expect(shares.reduce((sum, share) => sum + share, beyond)).toBeCloseTo(1, 10);
          const first = of.filter(({ goods }) => goods < found.band).length / of.length;
          expect(shares[0]).toBeCloseTo(first, 10);
        }
      },
    ),
  );
});
