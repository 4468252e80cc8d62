import { describe, expect, test } from 'vitest';
import { marketTruths, pastOffer } from '../../../demo/order-truth.ts';
import { readableDemoOrders } from '../../../tests/support/readable-demo-orders.ts';
import { minorPerMajor } from '../money/currency.ts';
import { dateOfDay } from '../time/day.ts';
import { proposedRules } from './proposed-rules.ts';
import { readStore, type ReadMarket } from './read-store.ts';

describe('the demo’s orders', () => {
  const read = readStore(readableDemoOrders());
  const proposals = read.map(proposedRules);
  const of = (countries: readonly string[]) =>
    proposals.find(({ market }) => [...market.countries].sort().join() === [...countries].sort().join())!;

  test('say of every market its countries, its options with their prices, and the goal that all of them share', () => {
    expect(read).toHaveLength(marketTruths.length);
    for (const truth of marketTruths) {
      const found = of(truth.countries.map(({ country }) => country));
      const minor = (major: number) => Math.round(major * minorPerMajor(truth.currency));
      expect(found.market.currency).toBe(truth.currency);
      expect(new Map(found.options.map(({ option, charge }) => [option, charge.lines.line!.price] as const))).toEqual(
        new Map(truth.options.map(({ option, price }) => [option, { fixed: { exact: minor(price) } }] as const)),
      );
      // In the United Kingdom the last months of orders are half of an experiment’s.
      if (truth.market !== 'uk') expect(found.goals.map(({ from }) => from)).toEqual([minor(truth.freeFrom)]);
      expect(found.goals.flatMap(({ options }) => options).sort()).toEqual(
        truth.options.map(({ option }) => option).sort(),
      );
      expect(found.gone).toEqual([]);
    }
  });

  test('say when an offer of old began and ended, to the day or to the day of the next order', () => {
    for (const { before, now } of of(['NL', 'BE']).options) {
      const [first, offer] = before;
      expect([first, offer, now].map((one) => one!.rule.free!.from)).toEqual([7500, pastOffer.goal * 100, 7500]);
      expect([dateOfDay(offer!.from - 1), dateOfDay(offer!.from)]).toContain('2025-03-31');
      expect([dateOfDay(now.from - 1), dateOfDay(now.from)]).toContain('2025-06-30');
    }
  });

  test('are explained to more than 97 of a hundred', () => {
    const sum = (value: (market: ReadMarket) => number) => read.reduce((all, market) => all + value(market), 0);
    expect(sum(({ explained }) => explained) / sum(({ orders }) => orders)).toBeGreaterThan(0.99);
  });
});
