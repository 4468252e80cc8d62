import { describe, expect, test } from 'vitest';
import { tree, type Node } from '../../../tests/support/conditions.ts';
import { demoCatalogue, linesOf, tuesday } from '../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import type { CartLine } from '../cart/cart.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { zoneContext } from '../evaluation/context.ts';
import type { EvaluationInput } from '../evaluation/evaluation.ts';
import { measureCart } from '../cart/measures.ts';
import type { Basis, Condition, Policy } from '../policy/types.ts';
import { compileCondition } from './compile-condition.ts';
import { readOut } from './read-out.ts';

const zone = compilePolicy(smallStore).markets.get('nlbe')!.zones[0]!;
type Asked = Partial<Omit<EvaluationInput, 'cart'>> & { lines?: CartLine[]; codes?: string[]; channel?: string };

/** Whether a condition holds for a shopper and a cart in the small store’s Dutch market. */
function asks(
  condition: Condition,
  { lines = linesOf({ 'tidewing-16': 2, 'line-50': 1 }), codes = [], channel, ...situation }: Asked = {},
  policy: Policy = smallStore,
): boolean {
  const destination = situation.destination ?? { country: 'NL', postcode: '1799 ZA' };
  const cart = measureCart(
    { lines, codes, ...(channel ? { channel } : {}) },
    zone.market.terms,
    zone.market.terms.taxRates,
    destination,
  );
  const { facts } = zoneContext(zone, cart, destination.postcode.replaceAll(' ', ''), {
    instant: tuesday,
    ...situation,
    destination,
  });
  return compileCondition(condition, policy.qualifiers, zone.market.terms).holds(facts);
}
const holds = (node: Node, asked?: Asked) => asks(tree('all', node), asked);

describe('trees', () => {
  const yes: Node = { kind: 'number', fact: 'cart.items', operator: 'atLeast', value: 0 };
  const no: Node = { kind: 'number', fact: 'cart.items', operator: 'atLeast', value: 100 };
  test.each([
    ['all', [], true],
    ['all', [yes, yes], true],
    ['all', [yes, no], false],
    ['any', [], false],
    ['any', [no, yes], true],
    ['any', [no, no], false],
    ['none', [], true],
    ['none', [no, no], true],
    ['none', [no, yes], false],
  ] as const)('%s of %#', (of, nodes, expected) => expect(asks(tree(of, ...nodes))).toBe(expected));
  test('nest and refer to qualifiers', () => {
    const policy: Policy = {
      ...smallStore,
      qualifiers: { few: { order: 1, name: 'Few', condition: tree('none', no) } },
    };
    expect(
      asks(
        tree('all', { kind: 'group', ...tree('any', no, { kind: 'qualifier', qualifier: 'few' }) }, yes),
        {},
        policy,
      ),
    ).toBe(true);
  });
});

describe('missing facts', () => {
  const count = (operator: 'is' | 'isNot' | 'lessThan'): Node => ({
    kind: 'number',
    fact: 'shopper.orderCount',
    operator,
    value: 3,
  });
  test('of a guest make each leaf false, also “is not”, and none of them true', () => {
    expect([holds(count('is')), holds(count('isNot')), holds(count('lessThan'))]).toEqual([false, false, false]);
    expect(asks(tree('none', count('is'), count('isNot')))).toBe(true);
  });
  test.each<[string, Node]>([
    ['groups', { kind: 'word', fact: 'shopper.group', operator: 'noneOf', values: ['trade', 'schools'] }],
    ['individual', { kind: 'word', fact: 'shopper.individual', operator: 'isNot', values: ['S-1'] }],
    ['business', { kind: 'yesNo', fact: 'shopper.business', is: false }],
    ['first order', { kind: 'yesNo', fact: 'shopper.firstOrder', is: true }],
    [
      'days since last order',
      { kind: 'number', fact: 'shopper.daysSinceLastOrder', operator: 'atMost', value: 99_999 },
    ],
    ['lifetime spend', { kind: 'number', fact: 'shopper.lifetimeSpend', operator: 'atLeast', value: 0 }],
    ['region', { kind: 'word', fact: 'destination.region', operator: 'isNot', values: ['NL-FR'] }],
    ['residential', { kind: 'yesNo', fact: 'destination.residential', is: false }],
    ['distance', { kind: 'distance', center: { latitude: 0, longitude: 0 }, operator: 'atMost', value: 20_000 }],
  ])('%s', (_, node) => expect(holds(node)).toBe(false));
  test('someone signed in without groups is known to be in none', () => {
    const notTrade: Node = { kind: 'word', fact: 'shopper.group', operator: 'isNot', values: ['trade'] };
    expect(holds(notTrade, { shopper: { signedIn: true } })).toBe(true);
    expect(holds(notTrade, { shopper: { signedIn: true, groups: ['trade', 'members'] } })).toBe(false);
  });
  test('an amount that is not stated for the market', () => {
    expect(
      holds({
        kind: 'money',
        fact: 'cart.goodsValue',
        basis: 'afterDiscountsAsShown',
        operator: 'atLeast',
        amounts: { uk: { exact: 0 } },
      }),
    ).toBe(false);
  });
  test('a postcode that is not known matches nothing, not even *', () =>
    expect(holds({ kind: 'postcode', patterns: ['*'] }, { destination: { country: 'NL', postcode: '' } })).toBe(false));
});

describe('comparing', () => {
  // 2 × 39.95 + 11.95 = 91.85
  const value = (operator: 'is' | 'isNot' | 'atLeast' | 'atMost' | 'moreThan' | 'lessThan', amount: number): Node => ({
    kind: 'money',
    fact: 'cart.goodsValue',
    basis: 'afterDiscountsAsShown',
    operator,
    amounts: { nlbe: { exact: amount } },
  });
  test.each([
    ['is', [9184, 9185, 9186], [false, true, false]],
    ['isNot', [9184, 9185, 9186], [true, false, true]],
    ['atLeast', [9184, 9185, 9186], [true, true, false]],
    ['atMost', [9184, 9185, 9186], [false, true, true]],
    ['moreThan', [9184, 9185, 9186], [true, false, false]],
    ['lessThan', [9184, 9185, 9186], [false, false, true]],
  ] as const)('money %s', (operator, amounts, expected) =>
    expect(amounts.map((amount) => holds(value(operator, amount)))).toEqual(expected),
  );
  test('between includes both ends', () => {
    const between = (from: number, to: number) =>
      holds({ kind: 'number', fact: 'cart.items', operator: 'between', value: from, to });
    expect([between(3, 3), between(1, 2), between(4, 9), between(2, 3), between(3, 4)]).toEqual([
      true,
      false,
      false,
      true,
      true,
    ]);
  });
  test('distances are not whole numbers: more than 5 km holds a metre beyond', () => {
    const at = (km: number) => ({
      destination: { country: 'NL', postcode: '', coordinates: { latitude: 53 + km / 111.195, longitude: 5 } },
    });
    const beyond: Node = { kind: 'distance', center: { latitude: 53, longitude: 5 }, operator: 'moreThan', value: 5 };
    expect([holds(beyond, at(4.999)), holds(beyond, at(5.001))]).toEqual([false, true]);
  });
});

describe('facts of the cart', () => {
  const cart = { lines: linesOf({ 'tidewing-16': 2, 'gift-card-25': 1, 'kite-book': 1, 'beach-shelter': 1 }) };
  const money = (fact: 'cart.goodsValue' | 'cart.countedValue' | 'line.value', basis: Basis, amount: number) =>
    holds({ kind: 'money', fact, basis, operator: 'is', amounts: { nlbe: { exact: amount } } }, cart);
  test('values in each basis', () => {
    expect(money('cart.goodsValue', 'afterDiscountsWithTax', 7990 + 2500 + 2750 + 14_900)).toBe(true);
    expect(money('cart.countedValue', 'beforeDiscountsAsShown', 7990 + 2750 + 14_900)).toBe(true);
    // each line without its own tax: 79.90 and 25.00 and 149.00 at 21 %, the book at 9 %
    expect(money('cart.goodsValue', 'afterDiscountsWithoutTax', 6603 + 2066 + 2523 + 12_314)).toBe(true);
    expect(money('line.value', 'afterDiscountsWithTax', 2750)).toBe(true);
  });
  test('counts, weight and size, of goods that need delivery however they are charged', () => {
    const number = (
      fact: 'cart.items' | 'cart.lines' | 'cart.weight' | 'cart.longestSide' | 'line.quantity' | 'category.quantity',
      value: number,
    ) => holds({ kind: 'number', fact, operator: 'is', value }, cart);
    expect([
      number('cart.items', 5),
      number('cart.lines', 4),
      number('cart.weight', 2 * 420 + 780 + 9800),
      number('cart.longestSide', 1300),
      number('line.quantity', 2),
      number('category.quantity', 2),
      number('category.quantity', 5),
    ]).toEqual([true, true, true, true, true, true, false]);
  });
  test('contains, nothing but, none of; by product, category, tag and price', () => {
    const contents = (
      operator: 'contains' | 'only' | 'none',
      goods: Extract<Node, { kind: 'contents' }>['goods'],
      lines = cart.lines,
    ) => holds({ kind: 'contents', operator, goods }, { lines });
    expect(contents('contains', { tags: ['bulky'] })).toBe(true);
    expect(contents('only', { categories: ['kites', 'books', 'gift-cards'], products: ['beach-shelter'] })).toBe(true);
    expect(contents('only', { categories: ['kites'] })).toBe(false);
    expect(contents('none', { categories: ['plans'] })).toBe(true);
    expect(contents('contains', { unitPriceFrom: { nlbe: { exact: 14_900 } } })).toBe(true);
    expect(contents('contains', { unitPriceFrom: { nlbe: { exact: 14_901 } } })).toBe(false);
    expect([contents('contains', {}, []), contents('only', {}, []), contents('none', {}, [])]).toEqual([
      false,
      false,
      true,
    ]);
  });
  test('quantity and value of a selection', () => {
    expect(
      holds(
        {
          kind: 'goodsNumber',
          fact: 'cart.quantityOf',
          goods: { categories: ['kites', 'books'] },
          operator: 'is',
          value: 3,
        },
        cart,
      ),
    ).toBe(true);
    expect(
      holds(
        {
          kind: 'goodsMoney',
          fact: 'cart.valueOf',
          goods: { categories: ['kites'] },
          basis: 'afterDiscountsAsShown',
          operator: 'is',
          amounts: { nlbe: { exact: 7990 } },
        },
        cart,
      ),
    ).toBe(true);
  });
  test('codes, channel, currency', () => {
    expect(
      holds({ kind: 'word', fact: 'cart.code', operator: 'oneOf', values: ['SUN', 'MOON'] }, { codes: ['moon'] }),
    ).toBe(true);
    expect(holds({ kind: 'word', fact: 'cart.code', operator: 'isNot', values: ['SUN'] })).toBe(true);
    expect([
      holds({ kind: 'word', fact: 'cart.channel', operator: 'is', values: ['web'] }),
      holds({ kind: 'word', fact: 'cart.channel', operator: 'is', values: ['web'] }, { channel: 'app' }),
    ]).toEqual([true, false]);
    expect(holds({ kind: 'word', fact: 'cart.currency', operator: 'noneOf', values: ['GBP', 'USD'] })).toBe(true);
  });
  test('goods without a weight count as nothing there', () => {
    const bare = { ...demoCatalogue.get('winder')!, weightGrams: null };
    expect(
      holds(
        { kind: 'number', fact: 'cart.weight', operator: 'is', value: 0 },
        { lines: [{ product: bare, quantity: 3 }] },
      ),
    ).toBe(true);
  });
});

describe('facts of the shopper and of time', () => {
  const since = (value: number, asked: Asked) =>
    holds({ kind: 'number', fact: 'shopper.daysSinceLastOrder', operator: 'is', value }, asked);
  test('days since the last order are dates on the store’s clock', () => {
    const shopper = { signedIn: true, lastOrderAt: '2026-11-22T23:30:00Z' };
    expect(since(1, { shopper })).toBe(true);
    expect(since(0, { shopper, instant: Date.parse('2026-11-23T22:59Z') })).toBe(true);
  });
  test('a weekday and a time of day, on the clock they name', () => {
    const night: Node = { kind: 'timeOfDay', from: '22:00', to: '06:00', readIn: 'store' };
    const at = (instant: string) => ({ instant: Date.parse(instant) });
    expect(
      ['2026-11-24T20:59Z', '2026-11-24T21:00Z', '2026-11-25T04:59:59Z', '2026-11-25T05:00Z'].map((instant) =>
        holds(night, at(instant)),
      ),
    ).toEqual([false, true, true, false]);
    const wednesday: Node = { kind: 'weekday', days: [3], readIn: 'Asia/Tokyo' };
    expect(['2026-11-24T14:59Z', '2026-11-24T15:00Z'].map((instant) => holds(wednesday, at(instant)))).toEqual([
      false,
      true,
    ]);
  });
  test('before, after and between: from is in and until is out, also where clocks change', () => {
    const node = (operator: 'before' | 'after' | 'between', at: string, to?: string): Node => ({
      kind: 'instant',
      operator,
      at,
      readIn: 'store',
      ...(to ? { to } : {}),
    });
    const at = (instant: string) => ({ instant: Date.parse(instant) });
    expect(
      ['2026-11-24T10:59:59Z', '2026-11-24T11:00Z'].map((instant) =>
        holds(node('before', '2026-11-24T12:00'), at(instant)),
      ),
    ).toEqual([true, false]);
    expect(
      ['2026-11-24T10:59:59Z', '2026-11-24T11:00Z'].map((instant) =>
        holds(node('after', '2026-11-24T12:00'), at(instant)),
      ),
    ).toEqual([false, true]);
    expect(
      ['2026-11-24T10:59:59Z', '2026-11-24T11:00Z', '2026-11-24T11:00:59Z', '2026-11-24T11:01Z'].map((instant) =>
        holds(node('between', '2026-11-24T12:00', '2026-11-24T12:01'), at(instant)),
      ),
    ).toEqual([false, true, true, false]);
    expect(
      ['2026-10-25T00:29Z', '2026-10-25T00:30Z', '2026-10-25T01:30Z', '2026-10-25T01:31Z'].map((instant) =>
        holds(node('between', '2026-10-25T02:30', '2026-10-25T02:31'), at(instant)),
      ),
    ).toEqual([false, true, true, false]);
  });
});

describe('read out in English, as it is computed', () => {
  const said = (...nodes: Node[]) => readOut(smallStore, tree('all', ...nodes), 'nlbe');
  test.each<[string, Node]>([
    ['the shopper is signed in', { kind: 'yesNo', fact: 'shopper.signedIn', is: true }],
    ['the shopper has ordered before', { kind: 'yesNo', fact: 'shopper.firstOrder', is: false }],
    [
      'the shopper’s groups include “members”',
      { kind: 'word', fact: 'shopper.group', operator: 'contains', values: ['members'] },
    ],
    [
      'the shopper’s groups are known and do not include “trade” or “schools”',
      { kind: 'word', fact: 'shopper.group', operator: 'noneOf', values: ['trade', 'schools'] },
    ],
    [
      'the zone is “All of the United Kingdom”',
      { kind: 'word', fact: 'destination.zone', operator: 'is', values: ['uk-all'] },
    ],
    [
      'the number of items is more than 3, which is at least 4',
      { kind: 'number', fact: 'cart.items', operator: 'moreThan', value: 3 },
    ],
    [
      'the weight is less than 1500 g, which is at most 1499 g',
      { kind: 'number', fact: 'cart.weight', operator: 'lessThan', value: 1500 },
    ],
    [
      'the shopper’s spend so far is at least €200.00',
      { kind: 'number', fact: 'shopper.lifetimeSpend', operator: 'atLeast', value: 20_000 },
    ],
    [
      'the counted value after discounts, without tax, is more than 80.00 EUR, which is at least 80.01 EUR',
      {
        kind: 'money',
        fact: 'cart.countedValue',
        basis: 'afterDiscountsWithoutTax',
        operator: 'moreThan',
        amounts: { nlbe: { exact: 8000 } },
      },
    ],
    [
      'the value of the categories “kites” before discounts, as shown, is from 10.00 EUR to 20.00 EUR, both included',
      {
        kind: 'goodsMoney',
        fact: 'cart.valueOf',
        goods: { categories: ['kites'] },
        basis: 'beforeDiscountsAsShown',
        operator: 'between',
        amounts: { nlbe: { exact: 1000 } },
        to: { nlbe: { exact: 2000 } },
      },
    ],
    [
      'the value of some line after discounts, with tax, has no amount here, so it never holds',
      {
        kind: 'money',
        fact: 'line.value',
        basis: 'afterDiscountsWithTax',
        operator: 'is',
        amounts: { uk: { exact: 1 } },
      },
    ],
    [
      'the cart contains nothing but the categories “kites” or goods tagged “long”',
      { kind: 'contents', operator: 'only', goods: { categories: ['kites'], tags: ['long'] } },
    ],
    [
      'the cart contains any goods with a price that is at least 50.00 EUR',
      { kind: 'contents', operator: 'contains', goods: { unitPriceFrom: { nlbe: { exact: 5000 } } } },
    ],
    ['the postcode matches 17* or 1000..1999', { kind: 'postcode', patterns: ['17*', '1000..1999'] }],
    [
      'the distance from 53, 5 is more than 5 km',
      { kind: 'distance', center: { latitude: 53, longitude: 5 }, operator: 'moreThan', value: 5 },
    ],
    [
      'it is before 2026-11-24 12:00 on the store’s clock',
      { kind: 'instant', operator: 'before', at: '2026-11-24T12:00', readIn: 'store' },
    ],
    [
      'the day is Monday, Tuesday or Sunday on the market’s clock',
      { kind: 'weekday', days: [7, 1, 2], readIn: 'market' },
    ],
    [
      'the time is from 22:00 until 06:00 of the next day on the clock of Asia/Tokyo',
      { kind: 'timeOfDay', from: '22:00', to: '06:00', readIn: 'Asia/Tokyo' },
    ],
    [
      'the time is from 18:00 until the end of the day on the store’s clock',
      { kind: 'timeOfDay', from: '18:00', to: '00:00', readIn: 'store' },
    ],
    [
      'it is 2026-11-24 12:00 or later on the store’s clock',
      { kind: 'instant', operator: 'after', at: '2026-11-24T12:00', readIn: 'store' },
    ],
  ])('%s', (sentence, node) => expect(said(node)).toBe(sentence));
  test('trees in one way only', () => {
    const [a, b, c]: [Node, Node, Node] = [
      { kind: 'yesNo', fact: 'shopper.signedIn', is: true },
      { kind: 'yesNo', fact: 'shopper.business', is: true },
      { kind: 'postcode', patterns: ['1'] },
    ];
    expect(said(a, { kind: 'group', ...tree('any', b, c) })).toBe(
      'the shopper is signed in and (the shopper buys for a business or the postcode matches 1)',
    );
    expect(readOut(smallStore, tree('none', a, { kind: 'group', ...tree('all', b, c) }))).toBe(
      'none of this holds: the shopper is signed in; (the shopper buys for a business and the postcode matches 1)',
    );
    expect(['all', 'any', 'none'].map((of) => readOut(smallStore, tree(of as 'all')))).toEqual([
      'always',
      'never',
      'always',
    ]);
  });
  test('amounts of every market when none is asked for', () => {
    const node: Node = {
      kind: 'money',
      fact: 'cart.goodsValue',
      basis: 'afterDiscountsAsShown',
      operator: 'atLeast',
      amounts: { uk: { exact: 5000 }, nlbe: { exact: 6000 } },
    };
    expect(readOut(smallStore, tree('all', node))).toBe(
      'the goods value after discounts, as shown, is at least 60.00 EUR in Netherlands & Belgium, is at least 50.00 GBP in United Kingdom',
    );
  });
});
