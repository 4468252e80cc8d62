import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compareReading } from '../../../tests/support/compare-reading.ts';
import { randomStore } from '../../../tests/support/random-stores.ts';
import { emptyColumns } from '../orders/columns.ts';
import { emptyShipments } from '../orders/replay/shipments.ts';
import { readSteps } from './read-steps.ts';
import { readStore } from './read-store.ts';

describe('stepped prices', () => {
  /** What partitioning into so many parts costs at least, tried one by one. */
  function leastCost(measured: readonly number[], paid: readonly number[], penalty: number): number {
    const cuts = measured.flatMap((value, i) => (i > 0 && value !== measured[i - 1] ? [i] : []));
    let least = Infinity;
    for (let chosen = 0; chosen < 2 ** cuts.length; chosen++) {
      const begins = [0, ...cuts.filter((_, i) => chosen & (2 ** i))];
      const cost = begins.reduce(
        (sum, begin, i) => {
          const part = paid.slice(begin, begins[i + 1] ?? paid.length);
          const most = Math.max(...part.map((price) => part.filter((other) => other === price).length));
          return sum + part.length - most;
        },
        penalty * (begins.length - 1),
      );
      least = Math.min(least, cost);
    }
    return least;
  }

  test('cost no more than the best of all partitions, tried one by one', () => {
    const order = fc.tuple(fc.integer({ min: 1, max: 9 }), fc.constantFrom(0, 395, 595));
    fc.assert(
      fc.property(fc.array(order, { minLength: 1, maxLength: 14 }), fc.constantFrom(0.5, 1, 2.5), (orders, penalty) => {
        const sorted = [...orders].sort((a, b) => a[0] - b[0]);
        const [measured, paid] = [sorted.map(([value]) => value), sorted.map(([, price]) => price)];
        const steps = readSteps(measured, paid, penalty);
        const explained = steps.reduce((sum, step) => sum + step.explained, 0);
        expect(orders.length - explained + penalty * (steps.length - 1)).toBeCloseTo(
          leastCost(measured, paid, penalty),
          9,
        );
      }),
      { numRuns: 300 },
    );
  });

  test('have their edge at the roundest amount between what was seen on either side', () => {
    const measured = [900, 940, 970, 1010, 1040, 1900];
    const paid = [395, 395, 395, 595, 595, 595];
    expect(readSteps(measured, paid, 1)).toEqual([
      { from: 0, gap: null, price: 395, explained: 3 },
      { from: 1000, gap: { after: 970, until: 1010 }, price: 595, explained: 3 },
    ]);
    expect(readSteps([], [], 1)).toEqual([]);
  });
});

describe('a store', () => {
  test.each([3, 6, 14, 22])('made by chance (%i) is read as it is', (seed) => {
    const store = randomStore(seed);
    const shares: number[] = [];
    const compared = compareReading(
      store,
      readStore(store.orders, (share) => shares.push(share)),
    );
    expect(compared.markets[0]).toBe(compared.markets[1]);
    expect(compared.found).toBe(compared.wanted);
    expect(compared.wrong).toBeLessThanOrEqual(1);
    expect(compared.explained[0] / compared.explained[1]).toBeGreaterThan(0.98);
    expect(shares.at(-1)).toBeCloseTo(1, 9);
  });

  test('without orders has no rules, and one with a few says what they paid', () => {
    expect(readStore([])).toEqual([]);
    const none = { currency: 'EUR', columns: emptyColumns(0), shipments: emptyShipments(0) };
    expect(readStore([none])).toEqual([]);
    const columns = { ...emptyColumns(3, ['door']), delivery: Float64Array.of(595, 595, 595) };
    const few = { currency: 'EUR', columns, shipments: emptyShipments(3, [['NL', '', '']]) };
    expect(readStore([few])).toMatchObject([
      {
        countries: ['NL'],
        orders: 3,
        explained: 3,
        read: {
          options: [
            { option: 'door', read: { rules: [{ rule: { measure: 'none', steps: [{ price: 595 }], free: null } }] } },
          ],
        },
      },
    ]);
  });

  test('codes that made delivery free are named, and no others', () => {
    const count = 400;
    const columns = emptyColumns(count, ['door']);
    const shipments = emptyShipments(count, [['NL', '', '']]);
    const of = shipments.code;
    shipments.codes.push('WIND', 'LESS10');
    for (let i = 0; i < count; i++) {
      columns.goods[i] = 2000 + 10 * i;
      if (i % 20 === 0) of[i] = 1;
      else if (i % 30 === 1) of[i] = 2;
      columns.delivery[i] = of[i] === 1 ? 0 : 595;
    }
    const [market] = readStore([{ currency: 'EUR', columns, shipments }]);
    expect(market!.codes).toEqual([{ code: 'WIND', orders: 20, free: 20 }]);
    expect(market!.explained).toBe(count);
  });
});

test('orders of an experiment’s arm, and those that do not say what delivery cost, say nothing of the rules', () => {
  const count = 400;
  const columns = emptyColumns(count, ['door'], ['', 'lower/half']);
  for (let i = 0; i < count; i++) {
    columns.goods[i] = 2000 + 10 * i;
    columns.arm[i] = i % 4 === 0 ? 1 : 0;
    const paid = columns.arm[i] === 1 ? 0 : 595;
    columns.delivery[i] = i % 10 === 1 ? -1 : paid;
  }
  const [market] = readStore([{ currency: 'EUR', columns, shipments: emptyShipments(count, [['NL', '', '']]) }]);
  expect(market).toMatchObject({ orders: 260, explained: 260, unlike: { orders: 0 } });
});
