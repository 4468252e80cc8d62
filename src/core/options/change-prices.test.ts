import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { chargeOfPreset, presetOfCharge } from '../charges/presets.ts';
import { checkPolicy } from '../checks/validate.ts';
import type { LocalAmount, Policy } from '../policy/types.ts';
import { changePrices, isPriceStep, type PriceRounding, type PriceStep } from './change-prices.ts';
import { rateSheet } from './rate-sheet.ts';

const plain = { kind: 'none' } as const;
const amount = (by: string): PriceStep => ({ kind: 'amount', by });
const percent = (by: string): PriceStep => ({ kind: 'percent', by });
const only = (...ids: string[]) => new Set(ids);

const taken = (policy: Policy, charges: ReturnType<typeof changePrices>['charges']): Policy => ({
  ...policy,
  options: Object.fromEntries(
    Object.entries(policy.options).map(([id, option]) => [id, { ...option, charge: charges.get(id) ?? option.charge }]),
  ),
});
const pricesOf = (id: string, step: PriceStep, rounding: PriceRounding = plain) => {
  const { charges } = changePrices(demoPolicy, only(id), step, rounding);
  return rateSheet(taken(demoPolicy, charges), null)
    .rows.filter(([option]) => option === id)
    .map(([, , , from, price]) => `${from} ${price}`.trim());
};

describe('moving prices', () => {
  test('by an amount moves every step and no edge', () =>
    expect(pricesOf('nlbe-door', amount('+ 0.50'))).toEqual(['0.00 7.45', '40.00 6.45', '120.00 4.45']));
  test('down, by a percentage, with one rounding of the reduction', () =>
    expect(pricesOf('nlbe-door', percent('−10'))).toEqual(['0.00 6.25', '40.00 5.35', '120.00 3.55']));
  test('to an ending: the nearest one, of two as near the higher', () => {
    const to95 = { kind: 'ending', of: '0.95' } as const;
    expect(pricesOf('nlbe-door', amount('0.50'), to95)).toEqual(['0.00 7.95', '40.00 6.95', '120.00 4.95']);
    expect(pricesOf('nlbe-parcel-shop', amount('0.10'), to95)).toEqual(['4.95']);
  });
  test('to multiples', () =>
    expect(pricesOf('nlbe-door', percent('3'), { kind: 'multiple', of: '0.50' })).toEqual([
      '0.00 7.00',
      '40.00 6.00',
      '120.00 4.00',
    ]));
  test('never below nothing, and what is free stays free', () => {
    expect(pricesOf('nlbe-parcel-shop', amount('-100'))).toEqual(['0.00']);
    expect(pricesOf('nlbe-counter', amount('5'))).toEqual(['0.00']);
  });
  test('says why an option stays as it is', () => {
    const [yen, option] = Object.entries(demoPolicy.options).find(
      ([, { zone }]) => demoPolicy.zones[zone]!.market === 'jp',
    )!;
    const flat = chargeOfPreset({ kind: 'flat', price: { exact: 500 } });
    const policy = { ...demoPolicy, options: { ...demoPolicy.options, [yen]: { ...option, charge: flat } } };
    const why = (step: PriceStep, rounding: PriceRounding = plain) => {
      const { charges, left } = changePrices(policy, only(yen), step, rounding);
      return left.get(yen) ?? rateSheet(taken(policy, charges), null).rows.find(([id]) => id === yen)![4];
    };
    expect([why(amount('0.50')), why(percent('10'), { kind: 'ending', of: '0.95' }), why(amount('50'))]).toEqual([
      'JPY has no amount of 0.50',
      'JPY has no such rounding',
      '550',
    ]);
    expect([...changePrices(demoPolicy, null, amount('1'), plain).left.values()]).toContain(
      'it is neither flat nor in steps',
    );
  });
  test.each(['+ 0.50', '+0.5', '- 1', '−1,25', '2'])('“%s” is an amount to move by', (by) =>
    expect(isPriceStep(amount(by))).toBe(true),
  );
  test.each(['', '1e3', '--1', '1.2345', 'abc'])('“%s” is no amount to move by', (by) =>
    expect(isPriceStep(amount(by))).toBe(false),
  );
  test('leaves the demo store valid, moves all ways by as much, and names every option once', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: -500, max: 500 }),
        fc.constantFrom<PriceRounding>(plain, { kind: 'multiple', of: '0.05' }, { kind: 'ending', of: '0.99' }),
        (cents, rounding) => {
          const step = amount(`${cents < 0 ? '-' : ''}${(Math.abs(cents) / 100).toFixed(2)}`);
          const { charges, left } = changePrices(demoPolicy, null, step, rounding);
          for (const id of charges.keys()) expect(left.has(id)).toBe(false);
          const policy = taken(demoPolicy, charges);
          expect(checkPolicy(policy).ok).toBe(true);
          for (const [id, charge] of charges) {
            const [was, is] = [presetOfCharge(demoPolicy.options[id]!.charge), presetOfCharge(charge)];
            expect(is?.kind).toBe(was?.kind);
            for (const price of exactPrices(is)) {
              expect(price).toBeGreaterThanOrEqual(0);
              if (rounding.kind === 'ending' && price > 0) expect(price % 100).toBe(99);
            }
          }
        },
      ),
      { numRuns: 200 },
    ));
});

const pricesIn = (preset: ReturnType<typeof presetOfCharge>): LocalAmount[] => {
  if (preset?.kind === 'flat') return [preset.price];
  return preset && 'steps' in preset ? preset.steps.map(({ price }) => price) : [];
};

/** Prices that moving has made exact. */
const exactPrices = (preset: ReturnType<typeof presetOfCharge>): number[] =>
  pricesIn(preset).flatMap((price) => ('exact' in price ? [price.exact] : []));
