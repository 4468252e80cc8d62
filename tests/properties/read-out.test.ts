import fc from 'fast-check';
import { expect, test } from 'vitest';
import { readOut } from '../../src/core/conditions/read-out.ts';
import { inOrder } from '../../src/core/ordered.ts';
import type { Condition, ConditionNode } from '../../src/core/policy/types.ts';
import { tree, type Node } from '../support/conditions.ts';
import { parseReadOut, wordOperator, type ReadLeaf, type ReadTree } from '../support/parse-read-out.ts';
import { smallStore } from '../support/small-store.ts';

const policy = { ...smallStore, qualifiers: { trade: { order: 1, name: 'Trade customers', condition: tree('all') } } };
const names = {
  qualifiers: { trade: 'Trade customers' },
  zones: Object.fromEntries(Object.entries(policy.zones).map(([id, { name }]) => [id, name])),
  markets: Object.fromEntries(Object.entries(policy.markets).map(([id, { name }]) => [id, name])),
};

const word = fc.constantFrom('kites', 'two words', 'NL', 'a-b', 'and', 'or (so)');
const words = fc.uniqueArray(word, { minLength: 1, maxLength: 3 });
const euro = fc.integer({ min: 1, max: 5_000_000 }).map((minor) => ({ nlbe: { exact: minor } }));
const comparisons = fc.constantFrom('is', 'isNot', 'atLeast', 'atMost', 'moreThan', 'lessThan', 'between');
const compared = <T>(operand: fc.Arbitrary<T>, value: string) =>
  fc
    .tuple(comparisons, operand, operand)
    .map(([operator, from, to]) => ({ operator, [value]: from, ...(operator === 'between' ? { to } : {}) }));
const basis = fc.constantFrom(
  'beforeDiscountsAsShown',
  'beforeDiscountsWithTax',
  'beforeDiscountsWithoutTax',
  'afterDiscountsAsShown',
  'afterDiscountsWithTax',
  'afterDiscountsWithoutTax',
);
const goods = fc.record(
  { products: words, categories: words, tags: words, unitPriceFrom: euro, unitPriceBelow: euro },
  { requiredKeys: [] },
);
const readIn = fc.constantFrom('store', 'market', 'Asia/Tokyo');
const two = (value: number) => String(value).padStart(2, '0');
const time = fc
  .tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 59 }))
  .map(([hour, minute]) => `${two(hour)}:${two(minute)}`);
const minute = fc.tuple(fc.integer({ min: 1, max: 28 }), time).map(([day, at]) => `2026-11-${two(day)}T${at}`);
const one = (values: fc.Arbitrary<string>) => values.map((value) => [value]);

/** Every kind of leaf with every fact and operator there is. */
const leaf = fc.oneof(
  fc.record({
    kind: fc.constant('yesNo'),
    fact: fc.constantFrom('shopper.signedIn', 'shopper.business', 'shopper.firstOrder', 'destination.residential'),
    is: fc.boolean(),
  }),
  fc.record({
    kind: fc.constant('word'),
    fact: fc.constantFrom(
      'shopper.group',
      'shopper.tag',
      'shopper.individual',
      'cart.code',
      'cart.currency',
      'cart.channel',
      'destination.country',
      'destination.region',
    ),
    operator: fc.constantFrom('oneOf', 'noneOf', 'contains'),
    values: words,
  }),
  fc.record({
    kind: fc.constant('word'),
    fact: fc.constantFrom('shopper.group', 'cart.channel'),
    operator: fc.constantFrom('is', 'isNot'),
    values: one(word),
  }),
  fc.record({
    kind: fc.constant('word'),
    fact: fc.constant('destination.zone'),
    operator: fc.constantFrom('is', 'isNot'),
    values: one(fc.constantFrom(...Object.keys(policy.zones))),
  }),
  fc.record({
    kind: fc.constant('word'),
    fact: fc.constant('destination.market'),
    operator: fc.constantFrom('is', 'isNot'),
    values: one(fc.constantFrom(...Object.keys(policy.markets))),
  }),
  fc
    .tuple(
      fc.constantFrom(
        'shopper.orderCount',
        'shopper.daysSinceLastOrder',
        'shopper.lifetimeSpend',
        'cart.items',
        'cart.lines',
        'cart.weight',
        'cart.volume',
        'cart.chargeableWeight',
        'cart.longestSide',
        'line.quantity',
        'category.quantity',
      ),
      compared(fc.nat(100_000), 'value'),
    )
    .map(([fact, rest]) => ({ kind: 'number', fact, ...rest })),
  fc
    .tuple(goods, compared(fc.nat(1000), 'value'))
    .map(([of, rest]) => ({ kind: 'goodsNumber', fact: 'cart.quantityOf', goods: of, ...rest })),
  fc
    .tuple(fc.constantFrom('cart.goodsValue', 'cart.countedValue', 'line.value'), basis, compared(euro, 'amounts'))
    .map(([fact, of, rest]) => ({ kind: 'money', fact, basis: of, ...rest })),
  fc
    .tuple(goods, basis, compared(euro, 'amounts'))
    .map(([of, by, rest]) => ({ kind: 'goodsMoney', fact: 'cart.valueOf', goods: of, basis: by, ...rest })),
  fc.record({ kind: fc.constant('contents'), operator: fc.constantFrom('contains', 'only', 'none'), goods }),
  fc.record({
    kind: fc.constant('postcode'),
    patterns: fc.uniqueArray(fc.constantFrom('17*', '1000..1999', 'AB1?CD', '9'), { minLength: 1, maxLength: 3 }),
  }),
  fc
    .tuple(
      fc.integer({ min: -80, max: 80 }),
      fc.integer({ min: -170, max: 170 }),
      compared(
        fc.integer({ min: 1, max: 999 }).map((tenth) => tenth / 10),
        'value',
      ),
    )
    .map(([latitude, longitude, rest]) => ({
      kind: 'distance',
      center: { latitude, longitude: longitude + 0.5 },
      ...rest,
    })),
  fc.record({ kind: fc.constant('instant'), operator: fc.constantFrom('before', 'after'), at: minute, readIn }),
  fc.record({ kind: fc.constant('instant'), operator: fc.constant('between'), at: minute, to: minute, readIn }),
  fc.record({
    kind: fc.constant('weekday'),
    days: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
    readIn,
  }),
  fc.record({ kind: fc.constant('timeOfDay'), from: time, to: time, readIn }),
  fc.constant({ kind: 'qualifier', qualifier: 'trade' }),
) as unknown as fc.Arbitrary<Node>;

const of = fc.constantFrom('all' as const, 'any' as const, 'none' as const);
const { condition } = fc.letrec<{ condition: Condition; node: Node }>((tie) => ({
  condition: fc.tuple(of, fc.array(tie('node'), { maxLength: 4 })).map(([how, nodes]) => tree(how, ...nodes)),
  node: fc.oneof(
    { maxDepth: 3, withCrossShrink: true },
    leaf,
    tie('condition').map((inner): Node => ({ kind: 'group', ...inner })),
  ),
}));

/** A condition as a sentence can say it: a group of one is that one, and words are listed in one way. */
function plain({ of: how, conditions }: Pick<Condition, 'of' | 'conditions'>): ReadTree {
  const nodes = inOrder(conditions).map(([, node]) => plainNode(node));
  if (nodes.length === 0) return { of: how === 'any' ? 'any' : 'all', nodes };
  const [first] = nodes;
  if (nodes.length === 1 && how !== 'none') return first && 'of' in first ? first : { of: 'all', nodes };
  return { of: how, nodes };
}

function plainNode({ order: _, ...node }: ConditionNode): ReadLeaf | ReadTree {
  if (node.kind === 'group') {
    const inner = plain(node);
    return inner.of === 'all' && inner.nodes.length === 1 ? inner.nodes[0]! : inner;
  }
  if (node.kind === 'word') {
    const not = node.operator === 'isNot' || node.operator === 'noneOf';
    return { ...node, operator: wordOperator(node.values.length > 1, not) };
  }
  if (node.kind === 'weekday') return { ...node, days: [...node.days].sort((a, b) => a - b) as typeof node.days };
  return node as ReadLeaf;
}

test('whatever condition is read out, a reader who knows only the sentence comes back to the same condition', () => {
  fc.assert(
    fc.property(condition, (made) => {
      expect(parseReadOut(readOut(policy, made, 'nlbe'), names)).toEqual(plain(made));
    }),
    { numRuns: 3000 },
  );
});

test('and one who meets what no read-out says gives up', () => {
  for (const wrong of [
    'the shopper is signed in and',
    'the weight is at least g',
    'the number of items is more than 3, which is at least 5',
    'the shopper is a guest or the shopper buys privately and the postcode matches 1',
  ])
    expect(() => parseReadOut(wrong, names)).toThrow('cannot be read');
});
