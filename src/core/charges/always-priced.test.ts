import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import type { Charge, ChargeLine } from '../policy/types.ts';
import { alwaysPriced, compileCharge } from './compile-charge.ts';

const { terms } = compilePolicy(demoPolicy).markets.get('nlbe')!;
const charge = (...lines: Omit<ChargeLine, 'order'>[]): Charge => ({
  combine: 'first',
  lines: Object.fromEntries(lines.map((line, order) => [`line-${order}`, { ...line, order }])),
  otherwise: { kind: 'notOffered' },
});
const always = (...lines: Omit<ChargeLine, 'order'>[]) => alwaysPriced(compileCharge(charge(...lines), terms, {}));
const flat = { fixed: { exact: 500 } };
const over = (from: number, to: number | null) => ({ measure: 'weight' as const, from, to });

test('a price comes about whatever the cart', () => {
  expect(always({ price: flat })).toBe(true);
  expect(always({ price: flat, over: over(0, 2000) }, { price: flat, over: over(2000, null) })).toBe(true);
});
test('not where a range is left out, or a condition decides', () => {
  expect(always({ price: flat, over: over(0, 2000) })).toBe(false);
  expect(always({ price: flat, over: over(1, null) })).toBe(false);
  expect(always({ price: flat, when: { of: 'all', conditions: {} } })).toBe(false);
});
test('a carrier may fall silent: its quote is sure with a fallback alone', () => {
  expect(always({ price: { carrier: 'post' } })).toBe(false);
  expect(always({ price: { carrier: 'post', fallback: { exact: 900 } } })).toBe(true);
});
