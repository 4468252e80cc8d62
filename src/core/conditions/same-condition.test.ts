import { describe, expect, test } from 'vitest';
import type { Condition, ConditionNode } from '../policy/types.ts';
import { sameCondition } from './same-condition.ts';

const heavy: ConditionNode = { order: 1, kind: 'number', fact: 'cart.weight', operator: 'moreThan', value: 999 };
const turned: ConditionNode = { value: 999, operator: 'moreThan', fact: 'cart.weight', kind: 'number', order: 7 };
const signedIn: ConditionNode = { order: 2, kind: 'yesNo', fact: 'shopper.signedIn', is: true };
const groups = (...values: string[]): ConditionNode => ({
  order: 1,
  kind: 'word',
  fact: 'shopper.group',
  operator: 'oneOf',
  values,
});
const tree = (of: Condition['of'], conditions: Record<string, ConditionNode>): Condition => ({ of, conditions });

describe('conditions that ask the same', () => {
  test.each<[string, Condition, Condition]>([
    ['keys in another order', tree('all', { c: heavy }), { conditions: { c: turned }, of: 'all' }],
    ['other ids and another order', tree('all', { a: heavy, b: signedIn }), tree('all', { x: signedIn, y: turned })],
    ['words in another order', tree('any', { a: groups('b', 'a') }), tree('any', { a: groups('a', 'b') })],
    ['one alone, of all or any', tree('all', { a: heavy }), tree('any', { a: heavy })],
    [
      'brackets of its own',
      tree('all', { a: { order: 1, kind: 'group', of: 'all', conditions: { b: heavy } } }),
      tree('all', { c: heavy }),
    ],
  ])('%s', (_, a, b) => expect([sameCondition(a, b), sameCondition(b, a)]).toEqual([true, true]));
  test.each<[string, Condition, Condition]>([
    ['all and any', tree('all', { a: heavy, b: signedIn }), tree('any', { a: heavy, b: signedIn })],
    ['one and none of it', tree('all', { a: heavy }), tree('none', { a: heavy })],
    ['another value', tree('all', { a: heavy }), tree('all', { a: { ...heavy, value: 1000 } as ConditionNode })],
    ['one more', tree('all', { a: heavy }), tree('all', { a: heavy, b: signedIn })],
  ])('not: %s', (_, a, b) => expect([sameCondition(a, b), sameCondition(b, a)]).toEqual([false, false]));
  test('none is like none', () => {
    expect(sameCondition(undefined, undefined)).toBe(true);
    expect(sameCondition(undefined, tree('all', { a: heavy }))).toBe(false);
  });
});
