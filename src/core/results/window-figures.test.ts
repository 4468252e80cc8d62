import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { emptyColumns, type OrderColumns } from '../orders/columns.ts';
import { nobodyYet, withValues } from '../statistics/running.ts';
import { isoWeekday } from '../time/day.ts';
import type { FigureTerms } from './figures/figure.ts';
import { figureIds } from './figures/registry.ts';
import { seriesOf } from './series.ts';
import { usualPrices } from './usual-prices.ts';
import { mostDrawn, windowFigures } from './window-figures.ts';

/** Six orders, of which the last is on the day before and the one before it on the day after the window. */
function someOrders(): OrderColumns {
  const columns = emptyColumns(6, ['door', 'shop']);
  columns.goods.set([2000, 8000, 6000, 9000, 100, 7500]);
  columns.delivery.set([595, 0, 405, -1, 0, 0]);
  columns.day.set([10, 10, 11, 12, 17, 9]);
  columns.option.set([0, 1, 1, 0, 0, 0]);
  columns.shopper.set([1, 2, 0, 1, 1, 1]);
  columns.items.set([1, 4, 0, 3, 1, 1]);
  return columns;
}
const terms: FigureTerms = { goalOn: (day) => (day < 11 ? 7500 : 9500), usualPrice: [595, 405], margin: 0.5 };
const window = { from: 10, to: 17 };

describe('the figures of a window', () => {
  const { orders, figures, unknown } = windowFigures(someOrders(), window, terms);
  const averageOf = (id: keyof typeof figures) => figures[id].running.mean;

  test('are those of its orders, and of what is known of them', () => {
    expect(orders).toBe(4);
    expect(figures.orderValue.running).toEqual(withValues(nobodyYet, [2000, 8000, 6000, 9000]));
    expect(averageOf('deliveryPaid')).toBeCloseTo(1000 / 3, 10);
    expect(averageOf('newShoppers')).toBeCloseTo(2 / 3, 10);
    expect(averageOf('items')).toBeCloseTo(8 / 3, 10);
    expect([unknown.orderValue, unknown.deliveryPaid, unknown.items, unknown.newShoppers]).toEqual([0, 1, 1, 1]);
  });
  test('count who reaches the goal of the day', () => {
    expect(averageOf('reaching')).toBe(0.25);
    expect(windowFigures(someOrders(), window, { ...terms, goalOn: () => null }).figures.reaching.running.mean).toBe(0);
  });
  test('call given away what others pay for the same option, and take it off the margin', () => {
    expect(averageOf('givenAway')).toBeCloseTo(405 / 3, 10);
    expect(averageOf('margin')).toBeCloseTo((1000 + 4000 - 405 + 3000) / 3, 10);
  });
  test('have days as members where days are counted, those without an order too', () => {
    expect(figures.ordersADay.running).toMatchObject({ count: 7, mean: expect.closeTo(4 / 7, 12) });
    expect(figures.marginADay.running).toMatchObject({ count: 7 });
    expect(averageOf('marginADay') * 7).toBeCloseTo(averageOf('margin') * 3, 8);
    expect(unknown.ordersADay).toBe(0);
  });
  test('are nothing where nothing was ordered', () => {
    const empty = windowFigures(someOrders(), { from: 30, to: 37 }, terms);
    expect(empty.figures.orderValue.running).toEqual(nobodyYet);
    expect(empty.figures.ordersADay.running).toMatchObject({ count: 7, mean: 0 });
  });
  test('keep each value as long as they are few', () => {
    const many = emptyColumns(mostDrawn + 1);
    const one = { from: 0, to: 1 };
    expect(windowFigures(many, one, terms).figures.orderValue.values).toBeNull();
    expect(windowFigures(emptyColumns(mostDrawn), one, terms).figures.orderValue.values).toHaveLength(mostDrawn);
  });
});

test('what delivery usually costs is what was paid for it in the windows; of an option that nobody paid the average of all', () => {
  const columns = someOrders();
  expect([...usualPrices(columns, [window])]).toEqual([595, 405]);
  expect([...usualPrices(columns, [{ from: 11, to: 12 }])]).toEqual([405, 405]);
  expect([...usualPrices(columns, [{ from: 17, to: 18 }])]).toEqual([NaN, NaN]);
});

describe('a figure over time', () => {
  test('is told for whole weeks from Monday on, and for each day', () => {
    const columns = someOrders();
    const days = seriesOf(columns, 'orderValue', terms, window, 'day');
    expect(days).toHaveLength(7);
    expect(days.slice(0, 4)).toEqual([
      { day: 10, orders: 2, value: 5000 },
      { day: 11, orders: 1, value: 6000 },
      { day: 12, orders: 1, value: 9000 },
      { day: 13, orders: 0, value: null },
    ]);
    const weeks = seriesOf(columns, 'ordersADay', terms, { from: 4, to: 30 }, 'week');
    expect(weeks.map(({ day }) => isoWeekday(day))).toEqual([1, 1, 1]);
    expect(weeks[0]).toEqual({ day: 4, orders: 3, value: 3 / 7 });
  });
  test('comes to the window’s figure, weighed by what each day knows', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ goods: fc.nat(20_000), day: fc.integer({ min: 7, max: 20 }) }), { maxLength: 60 }),
        (orders) => {
          const columns = emptyColumns(orders.length, ['door']);
          for (const [index, { goods, day }] of orders.entries())
            [columns.goods[index], columns.day[index]] = [goods, day];
          const days = { from: 7, to: 21 };
          const whole = windowFigures(columns, days, terms).figures.orderValue.running;
          const points = seriesOf(columns, 'orderValue', terms, days, 'day');
          const sum = points.reduce((all, { value, orders: count }) => all + (value ?? 0) * count, 0);
          expect(sum).toBeCloseTo(whole.mean * whole.count, 4);
        },
      ),
    );
  });
  test('can be drawn of every figure', () => {
    for (const id of figureIds) expect(seriesOf(someOrders(), id, terms, window, 'day')).toHaveLength(7);
  });
});
