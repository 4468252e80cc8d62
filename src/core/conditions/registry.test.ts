import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { checkPolicy } from '../checks/validate.ts';
import { policySchema } from '../schema/policy-schema.ts';
import type { ConditionNode } from '../policy/types.ts';
import type { Fact } from './fact.ts';
import { wordsWith } from './forms/word.ts';
import { withGoods } from './goods-words.ts';
import { conditionsIn, leaves } from './leaves.ts';
import { beginLeaf, facts, factOf } from './registry.ts';
import { readOut } from './read-out.ts';

/** Every fact of the schema, as it names its leaves. */
const factsOfSchema = Object.entries(
  policySchema().$defs as Record<
    string,
    { properties?: { kind?: { const?: string }; fact?: { enum?: string[]; const?: string } } }
  >,
)
  .filter(([name]) => name.endsWith('Fact'))
  .flatMap(([, { properties }]) => properties?.fact?.enum ?? [properties?.fact?.const ?? properties!.kind!.const!]);

const words: Record<string, string> = {
  'destination.country': 'NL',
  'destination.zone': 'nlbe-all',
  'destination.market': 'nlbe',
  'destination.region': 'NL-FR',
  'cart.currency': 'EUR',
  postcode: '17*',
};
const first = ({ id, form: { asksFirst } }: Fact) => {
  if (asksFirst === null) return null;
  return asksFirst === 'goods' ? { tags: ['long'] } : (words[id] ?? 'SCHOOL');
};

describe('facts in everyday words', () => {
  test('are those of the schema, each once', () =>
    expect(facts.all.map(({ id }) => id).sort()).toEqual([...factsOfSchema].sort()));
  test.each(facts.all.map((fact) => [fact.id, fact] as const))(
    '%s begins as a condition that is valid and reads as one',
    (id, fact) => {
      const node = {
        order: 1,
        ...beginLeaf(fact, first(fact), demoPolicy, ['nlbe', 'jp'], '2026-11-25'),
      } as ConditionNode;
      const policy = {
        ...demoPolicy,
        qualifiers: {
          ...demoPolicy.qualifiers,
          tried: { order: 999, name: 'Tried', condition: { of: 'all' as const, conditions: { one: node } } },
        },
      };
      const check = checkPolicy(policy);
      expect(check.ok ? [] : check.faults).toEqual([]);
      expect(readOut(policy, policy.qualifiers.tried!.condition, 'nlbe')).not.toMatch(/undefined|^always$/);
      expect(node.kind !== 'group' && node.kind !== 'qualifier' && factOf(node).id).toBe(id);
    },
  );
});

test('the operator of words follows from their number', () => {
  expect(
    [wordsWith(['a'], false), wordsWith(['a', 'b'], false), wordsWith(['a'], true), wordsWith(['a', 'b'], true)].map(
      ({ operator }) => operator,
    ),
  ).toEqual(['is', 'oneOf', 'isNot', 'noneOf']);
});
test('words known are those of the store; others can be typed where a shop hands them in', () => {
  const wordsOf = (fact: string) => facts.named(fact)!.words!;
  const known = (fact: string) =>
    wordsOf(fact)
      .known(demoPolicy, (code) => code)
      .map(({ word }) => word);
  expect(known('shopper.group')).toEqual(expect.arrayContaining(['members', 'schools', 'trade']));
  expect(known('destination.market')).toEqual(
    Object.entries(demoPolicy.markets)
      .sort(([, a], [, b]) => a.order - b.order)
      .map(([id]) => id),
  );
  expect(known('destination.country')).toHaveLength(249);
  expect(['shopper.group', 'destination.country'].map((fact) => wordsOf(fact).accept !== undefined)).toEqual([
    true,
    false,
  ]);
});
test('goods lose what they are chosen by one by one, and never all of it', () => {
  const two = withGoods({ tags: ['long'] }, 'products', 'spinner', true)!;
  expect(two).toEqual({ tags: ['long'], products: ['spinner'] });
  expect(withGoods(two, 'tags', 'long', false)).toEqual({ products: ['spinner'] });
  expect(withGoods({ tags: ['long'] }, 'tags', 'long', false)).toBeNull();
});
test('conditions are found wherever they stand', () => {
  const kinds = new Set(
    conditionsIn(demoPolicy)
      .flatMap(leaves)
      .map(({ kind }) => kind),
  );
  expect(kinds.has('qualifier') && kinds.has('word') && kinds.has('weekday')).toBe(true);
  expect(kinds.has('group')).toBe(false);
});
