import { describe, expect, test } from 'vitest';
import { emptyColumns } from '../orders/columns.ts';
import { normal, seededRandom } from '../statistics/random.ts';
import { compareFigures, membersToTell } from './compare-figures.ts';
import { drawnAnew } from './drawn-anew.ts';
import { windowFigures } from './window-figures.ts';

const terms = { goalOn: () => 5000, usualPrice: [], margin: 0.4 };

/** Orders whose logarithm is normal, as order values are skewed. */
function skewed(random: () => number, count: number, more = 0) {
  const columns = emptyColumns(count);
  for (let index = 0; index < count; index++) {
    columns.goods[index] = Math.round(Math.exp(8 + 0.8 * normal(random)) + more);
    columns.day[index] = index % 7;
  }
  return windowFigures(columns, { from: 0, to: 7 }, terms);
}

describe('a difference of two windows', () => {
  test('holds what is true in about 95 of a hundred stores whose few orders are skewed', () => {
    const random = seededRandom(5);
    const times = 200;
    let held = 0;
    for (let time = 0; time < times; time++) {
      const drawn = (more: number) => skewed(random, 80, more).figures.orderValue.values!;
      const [interval] = drawnAnew({ before: [drawn(0)], after: [drawn(700)] });
      if (interval!.low <= 700 && 700 <= interval!.high) held++;
    }
    expect(held / times).toBeGreaterThan(0.9);
  });
  test('is drawn anew for amounts of few orders alone', () => {
    const random = seededRandom(6);
    const few = compareFigures(skewed(random, 60), skewed(random, 60));
    expect([few.orderValue?.by, few.deliveryPaid, few.reaching?.by]).toEqual(['drawnAnew', null, 'welch']);
    const many = compareFigures(skewed(random, 3000), skewed(random, 3000));
    expect(many.orderValue?.by).toBe('welch');
    expect(compareFigures(skewed(random, 29), skewed(random, 60)).orderValue).toBeNull();
  });
  test('of figures drawn together is that of each by itself, as exactly as one chooses to draw', () => {
    const random = seededRandom(7);
    const [before, after] = [skewed(random, 300), skewed(random, 300, 400)];
    const { orderValue, margin } = {
      orderValue: before.figures.orderValue.values!,
      margin: before.figures.orderValue.values!.map((value) => value * 0.4),
    };
    const later = after.figures.orderValue.values!;
    const [value, part] = drawnAnew({ before: [orderValue, margin], after: [later, later.map((one) => one * 0.4)] });
    expect(part!.low).toBeCloseTo(value!.low * 0.4, 6);
    expect(part!.high).toBeCloseTo(value!.high * 0.4, 6);
  });
});

test('how many members would tell follows from the width: four times as many halve it', () => {
  // By hand: at a half width of twice the difference, (2 × (1.96 + 0.8416) ÷ 1.96)² = 8.17 times as many.
  expect(membersToTell(1000, 5, 10)).toBeGreaterThan(8100);
  expect(membersToTell(1000, 5, 10)).toBeLessThan(8250);
  expect(membersToTell(1000, 11, 10)).toBeNull();
  expect(membersToTell(1000, 0.001, 10)).toBeNull();
});
