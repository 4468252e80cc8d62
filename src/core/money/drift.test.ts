import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { driftOf } from './drift.ts';
import { resolveAmount, type LocalMoney } from './local-amount.ts';
import { readReferenceRates } from '../imports/reference-rates.ts';

const dkk: LocalMoney = { currency: 'DKK', baseCurrency: 'EUR', rate: '7.46', cashIncrement: undefined };
const following = (base: number, buffer: string, step: number, less = 0) => ({
  following: { base, buffer, round: 'nearest' as const, step, less },
});
const history = [
  { day: '2026-03-02', rate: '7.46' },
  { day: '2026-03-03', rate: '7.52' },
  { day: '2026-03-04', rate: '7.40' },
  { day: '2026-03-05', rate: '7.6' },
];

describe('drift', () => {
  test('a following amount: days on which more is enforced, the worst of them, and what avoids it', () => {
    // 75.00 × 7.46 = 559.50, promised as 560; enforced 559.50, 564.00, 555.00, 570.00
    const drift = driftOf(following(7500, '0', 1000), 7500, dkk, history, 1000)!;
    expect(drift.promised).toBe(56_000);
    expect(drift.days.map(({ enforced }) => enforced)).toEqual([55_950, 56_400, 55_500, 57_000]);
    expect(drift.misled).toBe(2);
    expect(drift.worst).toEqual({ day: '2026-03-05', by: 1000 });
    expect(drift.leastExact).toBe(57_000);
    // 559.50 × 1.01 = 565.10 is the first that rounds to 570.
    expect(drift.leastBuffer).toBe('1');
  });
  test('an exact amount against a goal of the base currency', () => {
    const drift = driftOf({ exact: 59_900 }, 8000, dkk, history, 100)!;
    expect([drift.promised, drift.misled, drift.leastExact]).toEqual([59_900, 2, 60_800]);
  });
  test('nobody is misled', () =>
    expect(driftOf({ exact: 70_000 }, 7500, dkk, history, 100)).toMatchObject({ misled: 0, worst: null }));
  test('no history, or no adopted rate to promise by', () => {
    expect(driftOf({ exact: 1 }, 1, dkk, [], 1)).toBeNull();
    expect(driftOf(following(1, '0', 1), 1, { ...dkk, rate: null }, history, 1)).toBeNull();
  });
  test('the least buffer and the least exact amount mislead nobody, and a step less of either does', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 20_000 }),
        fc.constantFrom(1, 100, 500, 1000),
        fc.array(fc.integer({ min: 70_000, max: 80_000 }), { minLength: 1, maxLength: 8 }),
        (base, step, rates) => {
          const days = rates.map((rate, index) => ({
            day: `2026-03-0${index + 1}`,
            rate: `7.${String(rate).slice(1)}`,
          }));
          const drift = driftOf(following(base, '0', step), base, dkk, days, step)!;
          const highest = Math.max(...drift.days.map(({ enforced }) => enforced));
          expect(drift.leastExact).toBeGreaterThanOrEqual(highest);
          expect(drift.leastExact - step).toBeLessThan(highest);
          if (drift.leastBuffer === null) return;
          expect(resolveAmount(following(base, drift.leastBuffer, step), dkk)).toBeGreaterThanOrEqual(highest);
          if (drift.leastBuffer !== '0')
            expect(
              resolveAmount(following(base, String(Math.round(Number(drift.leastBuffer) * 10 - 1) / 10), step), dkk),
            ).toBeLessThan(highest);
        },
      ),
    );
  });
});

describe('a file of reference rates', () => {
  test('what cannot be read is named by line and column, and the rest is read', () => {
    const { rates, rejected } = readReferenceRates(
      'Date,USD,XXX,JPY,\n2026-02-31,1.1,1,160,\n2026-02-27,1.08,1,N/A,\n2026-02-26,none,1,161.5,\n',
    );
    expect(rates).toEqual({ USD: [{ day: '2026-02-27', rate: '1.08' }], JPY: [{ day: '2026-02-26', rate: '161.5' }] });
    expect(rejected.map(({ line, column }) => [line, column])).toEqual([
      [2, 'Date'],
      [4, 'USD'],
    ]);
  });
  test('a file of something else', () =>
    expect(readReferenceRates('order,value\n1,2\n')).toMatchObject({
      rates: {},
      rejected: [{ line: 1, reason: 'the first column must be called Date' }],
    }));
});
