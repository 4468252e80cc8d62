import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { tree, type Node } from '../../../../tests/support/conditions.ts';
import { changed } from '../../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../../tests/support/small-store.ts';
import type { Policy } from '../../policy/types.ts';
import { checkPolicy } from '../validate.ts';

const faults = (change: (policy: Policy) => void, policy: Policy = smallStore): string[] => {
  const check = checkPolicy(changed(policy, change));
  return check.ok ? [] : check.faults.map(({ pointer, message }) => `${pointer} ${message}`);
};
const goal = (policy: Policy) => policy.offers['free-delivery']!.goals.first!;
const when = (node: Node) =>
  faults((policy) => (policy.offers['free-delivery']!.when = tree('all', node))).map((fault) =>
    fault.replace('/offers/free-delivery/when/conditions/c1', ''),
  );

describe('what a schema cannot say', () => {
  test.each<[string, string[], (policy: Policy) => void]>([
    [
      'a time zone that does not exist',
      ['/store/timeZone is not an IANA time zone'],
      (policy) => (policy.store.timeZone = 'Atlantis/Capital'),
    ],
    [
      'a market without countries',
      ['/markets/uk/countries must name a country, or the market take every country that no other names'],
      (policy) => (policy.markets.uk!.countries = []),
    ],
    [
      'tax of a region elsewhere',
      ['/markets/uk/tax/regions/NL-FR NL is not a country of this market'],
      (policy) => (policy.markets.uk!.tax.regions = { 'NL-FR': { delivery: '1' } }),
    ],
    [
      'a holiday that is no day',
      ['/calendars/shop/holidays/2026-02-30 is not a day'],
      (policy) =>
        (policy.calendars = {
          shop: { order: 1, name: 'Shop', workingDays: [1], holidays: { '2026-02-30': 'Never' } },
        }),
    ],
    [
      'a calendar that does not exist',
      ['/options/nlbe-door/estimate/calendar there is no calendar "beach"'],
      (policy) => (policy.options['nlbe-door']!.estimate.calendar = 'beach'),
    ],
    [
      'a schedule that ends before it begins',
      ['/offers/free-delivery/schedule/until must be after from'],
      (policy) =>
        (policy.offers['free-delivery']!.schedule = {
          readIn: 'store',
          from: '2026-11-24T12:00',
          until: '2026-11-24T12:00',
        }),
    ],
    [
      'a market that an offer names',
      ['/offers/free-delivery/markets/moon there is no market "moon"'],
      (policy) => (policy.offers['free-delivery']!.markets = { moon: true }),
    ],
    [
      'a count where money is counted',
      ['/offers/free-delivery/goals/first/targets/uk must be an amount of money: the goal counts goods value'],
      (policy) => (goal(policy).targets.uk = { count: 3 }),
    ],
    [
      'money where pieces are counted',
      [
        '/offers/free-delivery/goals/first/targets/nlbe must be a count: the goal counts pieces or weight',
        '/offers/free-delivery/goals/first/targets/uk must be a count: the goal counts pieces or weight',
      ],
      (policy) => (goal(policy).measure = { kind: 'items' }),
    ],
    [
      'goals that do not ascend',
      ['/offers/free-delivery/goals/second/targets/uk must be more than the goal before it'],
      (policy) =>
        (policy.offers['free-delivery']!.goals.second = {
          ...structuredClone(goal(policy)),
          order: 2,
          targets: { nlbe: { exact: 9000 }, uk: { exact: 7000 } },
        }),
    ],
    [
      'a reward without an amount where a goal is',
      ['/offers/free-delivery/goals/first/rewards/delivery/price/uk is missing: the offer has a goal in this market'],
      (policy) => Object.assign(goal(policy).rewards.delivery!, { kind: 'deliveryAt', price: { nlbe: { exact: 1 } } }),
    ],
    [
      'a reward on an option that does not exist',
      ['/offers/free-delivery/goals/first/rewards/delivery/on/options/sledge there is no delivery option "sledge"'],
      (policy) => Object.assign(goal(policy).rewards.delivery!, { on: { by: 'list', options: { sledge: true } } }),
    ],
    [
      'a test cart to nowhere',
      ['/testCarts/beach-day/destination/country QQ is not an ISO 3166-1 country'],
      (policy) => (policy.testCarts['beach-day']!.destination.country = 'QQ'),
    ],
    [
      'a discount of more than everything',
      [
        '/testCarts/beach-day/discounts/a/discount/percent must be a percentage from 0 to 100 as a decimal string, such as 12.5',
      ],
      (policy) =>
        (policy.testCarts['beach-day']!.discounts = { a: { order: 1, discount: { kind: 'percent', percent: '101' } } }),
    ],
  ])('%s', (_, expected, change) => expect(faults(change)).toEqual(expected));

  test.each<[string, Node]>([
    ['/qualifier there is no qualifier "vip"', { kind: 'qualifier', qualifier: 'vip' }],
    ['/to is missing: between needs both ends', { kind: 'number', fact: 'cart.items', operator: 'between', value: 1 }],
    ['/to must not be less than value', { kind: 'number', fact: 'cart.items', operator: 'between', value: 3, to: 1 }],
    ['/to is only for between', { kind: 'number', fact: 'cart.items', operator: 'is', value: 1, to: 3 }],
    ['/values must be one value', { kind: 'word', fact: 'shopper.group', operator: 'is', values: ['a', 'b'] }],
    ['/values/0 there is no zone "moon"', { kind: 'word', fact: 'destination.zone', operator: 'is', values: ['moon'] }],
    [
      '/amounts/moon there is no market "moon"',
      {
        kind: 'money',
        fact: 'cart.goodsValue',
        basis: 'afterDiscountsAsShown',
        operator: 'is',
        amounts: { moon: { exact: 1 } },
      },
    ],
    ['/patterns/0 the range ends before it begins', { kind: 'postcode', patterns: ['2..1'] }],
    [
      '/at is not a day of the calendar',
      { kind: 'instant', operator: 'before', at: '2026-02-30T00:00', readIn: 'store' },
    ],
    ['/readIn must be store, market or an IANA time zone', { kind: 'weekday', days: [1], readIn: 'moon' }],
    [
      '/goods/unitPriceFrom/moon there is no market "moon"',
      { kind: 'contents', operator: 'contains', goods: { unitPriceFrom: { moon: { exact: 1 } } } },
    ],
  ])('in a condition: %s', (expected, node) => expect(when(node)).toEqual([expected]));

  test('a leaf of a wrong shape is named by what its kind asks for', () => {
    const check = checkPolicy(
      changed(
        smallStore,
        (policy) =>
          (policy.offers['free-delivery']!.when = tree('all', { kind: 'weekday', days: [8], readIn: 'store' })),
      ),
    );
    expect(check.ok ? [] : check.faults).toEqual([
      { pointer: '/offers/free-delivery/when/conditions/c1/days/0', message: 'must be <= 7' },
    ]);
  });

  test('qualifiers that lead back to themselves, by whatever way', () => {
    const refers = (to: string) => ({
      order: 1,
      name: `To ${to}`,
      condition: tree('any', { kind: 'group', ...tree('none', { kind: 'qualifier', qualifier: to }) }),
    });
    const found = faults(
      (policy) => (policy.qualifiers = { a: refers('b'), b: refers('c'), c: refers('a'), d: refers('a') }),
    );
    expect(found).toEqual([
      '/qualifiers/a/condition refers to itself through “To b”, “To c”, “To a”',
      '/qualifiers/b/condition refers to itself through “To c”, “To a”, “To b”',
      '/qualifiers/c/condition refers to itself through “To a”, “To b”, “To c”',
    ]);
  });

  test('conditions nested beyond reading', () => {
    let node: Node = { kind: 'postcode', patterns: ['1'] };
    for (let depth = 0; depth < 9; depth++) node = { kind: 'group', ...tree('all', node) };
    expect(when(node)[0]).toMatch(/is nested more than 8 levels deep$/);
  });

  test('removing anything that is referred to is noticed', () => {
    expect(faults((policy) => delete policy.qualifiers.members, demoPolicy).length).toBeGreaterThan(0);
    expect(faults((policy) => delete policy.zones['uk-highlands'], demoPolicy).length).toBeGreaterThan(0);
    expect(faults((policy) => delete policy.calendars!.beach, demoPolicy)).toEqual([
      '/options/nlbe-round-van/estimate/calendar there is no calendar "beach"',
    ]);
    expect(faults((policy) => delete policy.rates!.DKK, demoPolicy).length).toBeGreaterThan(2);
  });
});
