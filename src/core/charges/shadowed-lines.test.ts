import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { smallStore } from '../../../tests/support/small-store.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { hypotheticalContext } from '../evaluation/context.ts';
import { localMoneyOf } from '../money/local-amount.ts';
import type { Charge, ChargeLine } from '../policy/types.ts';
import { linesOfCharge } from './charge.ts';
import { compileCharge } from './compile-charge.ts';
import { shadowedLines } from './shadowed-lines.ts';

const money = localMoneyOf(smallStore, 'nlbe');
const charge = (lines: Omit<ChargeLine, 'order'>[], change: Partial<Charge> = {}): Charge => ({
  combine: 'first',
  lines: Object.fromEntries(lines.map((line, index) => [`l${index + 1}`, { order: index + 1, ...line }])),
  otherwise: { kind: 'notOffered' },
  ...change,
});
const price = (exact: number) => ({ fixed: { exact } });
const weight = (from: number, to: number | null) => ({ measure: 'weight' as const, from, to });
const value = (from: number, to: number | null) => ({
  measure: 'goodsValue' as const,
  from: { exact: from },
  to: to === null ? null : { exact: to },
});
const heavy: ChargeLine['when'] = {
  of: 'all',
  conditions: { c: { order: 1, kind: 'number', fact: 'cart.weight', operator: 'moreThan', value: 999 } },
};
const found = (of: Charge) => Object.fromEntries(shadowedLines(of, money));

describe('lines that no cart takes', () => {
  test('below a line that always applies', () =>
    expect(found(charge([{ price: price(1) }, { price: price(2) }, { over: weight(0, 5), price: price(3) }]))).toEqual({
      l2: ['l1'],
      l3: ['l1'],
    }));
  test('within ranges above, together', () =>
    expect(
      found(
        charge([
          { over: value(0, 5000), price: price(1) },
          { over: value(5000, null), price: price(2) },
          { over: value(3000, 9000), price: price(3) },
          { price: price(4) },
        ]),
      ),
    ).toEqual({ l3: ['l1', 'l2'], l4: ['l1', 'l2'] }));
  test('not where ranges leave a gap, look at another measure, or end sooner', () => {
    expect(
      found(
        charge([
          { over: value(0, 5000), price: price(1) },
          { over: value(5001, null), price: price(2) },
          { over: value(4000, 6000), price: price(3) },
        ]),
      ),
    ).toEqual({});
    expect(
      found(
        charge([
          { over: weight(0, null), price: price(1) },
          { over: value(0, 100), price: price(2) },
        ]),
      ),
    ).toEqual({});
    expect(
      found(
        charge([
          { over: value(0, 5000), price: price(1) },
          { over: value(0, 5001), price: price(2) },
        ]),
      ),
    ).toEqual({});
  });
  test('under the same condition, but not under another', () => {
    expect(
      found(charge([{ when: heavy, price: price(1) }, { when: heavy, price: price(2) }, { price: price(3) }])),
    ).toEqual({ l2: ['l1'] });
  });
  test('under a condition that asks the same in another order of keys, ids and words', () => {
    const turned: ChargeLine['when'] = {
      conditions: { other: { value: 999, operator: 'moreThan', fact: 'cart.weight', kind: 'number', order: 5 } },
      of: 'any',
    };
    expect(
      found(
        charge([
          { when: heavy, price: price(1) },
          { when: turned, price: price(2) },
        ]),
      ),
    ).toEqual({ l2: ['l1'] });
  });
  test('a carrier that may be silent takes nothing for certain; with a fallback it does', () => {
    expect(found(charge([{ price: { carrier: 'post' } }, { price: price(2) }]))).toEqual({});
    expect(found(charge([{ price: { carrier: 'post', fallback: { exact: 1 } } }, { price: price(2) }]))).toEqual({
      l2: ['l1'],
    });
  });
  test('none where more than the first line counts', () =>
    expect(found(charge([{ price: price(1) }, { price: price(2) }], { combine: 'sum' }))).toEqual({}));

  const zone = compilePolicy(smallStore).markets.get('nlbe')!.zones[0]!;
  const range = fc.option(
    fc
      .tuple(
        fc.constantFrom('weight' as const, 'items' as const),
        fc.integer({ min: 0, max: 6 }),
        fc.option(fc.integer({ min: 1, max: 6 })),
      )
      .map(([measure, from, length]) => ({ measure, from, to: length === null ? null : from + length })),
    { nil: undefined },
  );
  test('a marked line is taken by no cart, an unmarked one by some, whatever the ranges', () => {
    fc.assert(
      fc.property(fc.array(range, { minLength: 1, maxLength: 6 }), (ranges) => {
        const of = charge(ranges.map((over, index) => ({ ...(over ? { over } : {}), price: price(index) })));
        const marked = shadowedLines(of, money);
        const compiled = compileCharge(of, zone.market.terms, {});
        const taken = new Set<string>();
        for (let w = 0; w <= 14; w++)
          for (let items = 1; items <= 14; items++)
            for (const { line } of linesOfCharge(
              compiled,
              hypotheticalContext(
                zone,
                { value: 100, items, weight: w, volume: 0, longestSide: 0 },
                { destination: { country: 'NL', postcode: '' }, instant: 0 },
              ),
            ))
              taken.add(line.id);
        for (const id of marked.keys()) expect(taken.has(id)).toBe(false);
      }),
    );
  });
});
