import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import type { Charge, LocalAmount } from '../policy/types.ts';
import { chargeOfPreset, presetOfCharge, type ChargePreset } from './presets.ts';

const amount = fc.integer({ min: 1, max: 5000 }).map((exact): LocalAmount => ({ exact }));
const measure = fc.constantFrom('items', 'lines', 'weight', 'volume', 'longestSide', 'chargeableWeight');
const starts = fc
  .uniqueArray(fc.integer({ min: 0, max: 9000 }), { minLength: 1, maxLength: 6 })
  .map((list) => list.sort((a, b) => a - b));
const divisor = fc.constantFrom({}, { volumeDivisor: 6000 });

const preset: fc.Arbitrary<ChargePreset> = fc.oneof(
  amount.map((price): ChargePreset => ({ kind: 'flat', price })),
  amount.map((each): ChargePreset => ({ kind: 'perItem', each })),
  fc.tuple(amount, amount).map(([first, further]): ChargePreset => ({ kind: 'firstAndFurther', first, further })),
  fc.tuple(starts, amount).map(([from, price]): ChargePreset => ({
    kind: 'stepsByValue',
    steps: from.map((exact) => ({ from: { exact }, price })),
  })),
  fc.tuple(measure, starts, amount, divisor).map(([of, from, price, more]): ChargePreset => ({
    kind: 'stepsByCount',
    measure: of,
    ...more,
    steps: from.map((start) => ({ from: start, price })),
  })),
  fc
    .record({ measure, base: amount, factor: amount, per: fc.integer({ min: 1, max: 2000 }), started: fc.boolean() })
    .map((parts): ChargePreset => ({ kind: 'baseAndFactor', ...parts })),
);

describe('presets', () => {
  test('every charge made by a preset is recognised as it', () => {
    fc.assert(
      fc.property(preset, (wanted) => void expect(presetOfCharge(chargeOfPreset(wanted))).toEqual(wanted)),
      { numRuns: 1000 },
    );
  });
  test('ids and order keys do not matter', () => {
    const charge = chargeOfPreset({
      kind: 'stepsByValue',
      steps: [
        { from: { exact: 0 }, price: { exact: 695 } },
        { from: { exact: 4000 }, price: { exact: 595 } },
      ],
    });
    const renamed: Charge = {
      ...charge,
      lines: { zz: { ...charge.lines['step-1']!, order: -5 }, aa: { ...charge.lines['step-2']!, order: 7 } },
    };
    expect(presetOfCharge(renamed)).toEqual(presetOfCharge(charge));
  });
  const steps = chargeOfPreset({
    kind: 'stepsByCount',
    measure: 'weight',
    steps: [
      { from: 0, price: { exact: 500 } },
      { from: 1000, price: { exact: 900 } },
    ],
  });
  const flat = chargeOfPreset({ kind: 'flat', price: { exact: 500 } });
  test.each<[string, Charge]>([
    [
      'a gap between steps',
      {
        ...steps,
        lines: {
          ...steps.lines,
          'step-1': { ...steps.lines['step-1']!, over: { measure: 'weight', from: 0, to: 999 } },
        },
      },
    ],
    [
      'a last step that ends',
      {
        ...steps,
        lines: {
          ...steps.lines,
          'step-2': { ...steps.lines['step-2']!, over: { measure: 'weight', from: 1000, to: 5000 } },
        },
      },
    ],
    [
      'steps of two measures',
      {
        ...steps,
        lines: {
          ...steps.lines,
          'step-2': { ...steps.lines['step-2']!, over: { measure: 'volume', from: 1000, to: null } },
        },
      },
    ],
    ['another way to combine', { ...flat, combine: 'sum' }],
    ['a price otherwise', { ...flat, otherwise: { kind: 'price', price: { exact: 1 } } }],
    ['handling', { ...flat, handling: { percent: '5' } }],
    ['a condition', { ...flat, lines: { line: { ...flat.lines.line!, when: { of: 'all', conditions: {} } } } }],
    ['a minimum', { ...flat, lines: { line: { order: 1, price: { fixed: { exact: 500 }, min: { exact: 1 } } } } }],
    [
      'a percentage',
      { ...flat, lines: { line: { order: 1, price: { percent: '5', basis: 'afterDiscountsAsShown' } } } },
    ],
    ['no line at all', { ...flat, lines: {} }],
    [
      'two lines without ranges',
      { ...flat, lines: { ...flat.lines, more: { order: 2, price: { fixed: { exact: 1 } } } } },
    ],
  ])('%s is beyond the presets', (_, charge) => expect(presetOfCharge(charge)).toBeNull());
  test('the demo’s charges are partly presets and partly more', () => {
    const kinds = Object.values(demoPolicy.options).map(({ charge }) => presetOfCharge(charge)?.kind ?? 'own');
    expect(new Set(kinds)).toEqual(
      new Set(['own', 'flat', 'perItem', 'firstAndFurther', 'stepsByValue', 'stepsByCount', 'baseAndFactor']),
    );
  });
});
