import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { tree, type Node } from '../../../tests/support/conditions.ts';
import { randomCondition, randomInput, randomPolicyWithZones } from '../../../tests/support/random-policy.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { prepare } from '../evaluation/prepare.ts';
import type { Condition } from '../policy/types.ts';
import { compileCondition } from './compile-condition.ts';
import { possibleRegion, treeOf } from './condition-region.ts';

const { terms } = [...compilePolicy(smallStore).markets.values()][0]!;
const market = terms.id;
const asked = (condition: Condition) => treeOf(condition, {}, terms);
const neverHolds = (condition: Condition) => possibleRegion(asked(condition))?.length === 0;
const alwaysHolds = (condition: Condition) =>
  possibleRegion({ of: 'none', children: [asked(condition)] })?.length === 0;

const items = (operator: 'atLeast' | 'atMost' | 'is' | 'isNot', value: number): Node => ({
  kind: 'number',
  fact: 'cart.items',
  operator,
  value,
});
const value = (
  basis: 'beforeDiscountsAsShown' | 'afterDiscountsAsShown',
  operator: 'atLeast' | 'atMost',
  exact: number,
): Node => ({
  kind: 'money',
  fact: 'cart.goodsValue',
  basis,
  operator,
  amounts: { [market]: { exact } },
});
const group = (operator: 'is' | 'isNot', word: string): Node => ({
  kind: 'word',
  fact: 'shopper.group',
  operator,
  values: [word],
});
const country = (operator: 'oneOf' | 'noneOf', ...values: string[]): Node => ({
  kind: 'word',
  fact: 'destination.country',
  operator,
  values,
});
const signedIn = (is: boolean): Node => ({ kind: 'yesNo', fact: 'shopper.signedIn', is });
const firstOrder = (is: boolean): Node => ({ kind: 'yesNo', fact: 'shopper.firstOrder', is });
const orders = (operator: 'atLeast' | 'is', count: number): Node => ({
  kind: 'number',
  fact: 'shopper.orderCount',
  operator,
  value: count,
});
const days = (...list: number[]): Node => ({ kind: 'weekday', days: list, readIn: 'store' });
const bell = (from: string, to: string): Node => ({ kind: 'timeOfDay', from, to, readIn: 'store' });

describe('conditions that never hold', () => {
  test.each<[string, Condition]>([
    ['items at once below and above', tree('all', items('atLeast', 5), items('atMost', 4))],
    ['two countries', tree('all', country('oneOf', 'NL'), country('oneOf', 'BE', 'DE'))],
    ['signed in and a guest', tree('all', signedIn(true), signedIn(false))],
    ['a first order of someone who has ordered', tree('all', firstOrder(true), orders('atLeast', 1))],
    ['in a group and known not to be', tree('all', group('is', 'members'), group('isNot', 'members'))],
    [
      'more after discounts than before',
      tree('all', value('afterDiscountsAsShown', 'atLeast', 5000), value('beforeDiscountsAsShown', 'atMost', 4999)),
    ],
    [
      'more lines than items',
      tree('all', { kind: 'number', fact: 'cart.lines', operator: 'atLeast', value: 3 }, items('atMost', 2)),
    ],
    ['a Monday at the weekend', tree('all', days(1), days(6, 7))],
    ['morning and evening', tree('all', bell('06:00', '12:00'), bell('18:00', '02:00'))],
    ['any of nothing', tree('any')],
  ])('%s', (_, condition) => {
    expect(neverHolds(condition)).toBe(true);
    expect(alwaysHolds(condition)).toBe(false);
  });
});

describe('conditions that always hold', () => {
  test.each<[string, Condition]>([
    ['few items or more', tree('any', items('atMost', 4), items('atLeast', 5))],
    ['no less than nothing', tree('all', value('beforeDiscountsAsShown', 'atLeast', 0))],
    ['a guest or signed in', tree('any', signedIn(true), signedIn(false))],
    ['a country or another', tree('any', country('oneOf', 'NL'), country('noneOf', 'NL'))],
    ['every day', tree('all', days(1, 2, 3, 4, 5, 6, 7))],
    ['night and day', tree('any', bell('08:00', '20:00'), bell('20:00', '08:00'))],
    ['all of nothing', tree('all')],
  ])('%s', (_, condition) => {
    expect(alwaysHolds(condition)).toBe(true);
    expect(neverHolds(condition)).toBe(false);
  });
});

test.each<[string, Condition]>([
  [
    'groups: nobody may know whether somebody is a member',
    tree('any', group('is', 'members'), group('isNot', 'members')),
  ],
  ['of two groups somebody may be in both', tree('all', group('is', 'members'), group('is', 'staff'))],
  [
    'a first order, or one of somebody who is known to have ordered',
    tree('any', firstOrder(true), orders('atLeast', 1)),
  ],
])('%s', (_, condition) => {
  expect(neverHolds(condition)).toBe(false);
  expect(alwaysHolds(condition)).toBe(false);
});

test('what is said to hold never, or always, does so for every cart', () => {
  const seen = { never: 0, always: 0 };
  fc.assert(
    fc.property(
      randomPolicyWithZones,
      randomCondition,
      fc.array(randomInput, { minLength: 5, maxLength: 5 }),
      (policy, condition, inputs) => {
        const compiled = compilePolicy(policy);
        for (const input of inputs) {
          const { found, context } = prepare(compiled, input);
          if (!found.market || !context) continue;
          const here = found.market.terms;
          const asking = treeOf(condition, policy.qualifiers, here);
          const holds = compileCondition(condition, policy.qualifiers, here).holds(context.facts);
          if (possibleRegion(asking)?.length === 0) {
            seen.never++;
            expect(holds).toBe(false);
          }
          if (possibleRegion({ of: 'none', children: [asking] })?.length === 0) {
            seen.always++;
            expect(holds).toBe(true);
          }
        }
      },
    ),
    { numRuns: 1000 },
  );
  expect(Math.min(seen.never, seen.always)).toBeGreaterThan(20);
});
