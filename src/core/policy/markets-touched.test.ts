import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { policySchema } from '../schema/policy-schema.ts';
import { marketsTouched, withinMarkets } from './markets-touched.ts';
import type { Policy } from './types.ts';

const touchedBy = (change: (copy: Policy) => void) => {
  const copy = structuredClone(demoPolicy);
  change(copy);
  const touched = marketsTouched(demoPolicy, copy);
  return touched === 'all' ? 'all' : [...touched].sort();
};

test('an amount, a market, its zone, its option and what is assumed of it touch that market', () => {
  expect(touchedBy(() => {})).toEqual([]);
  expect(touchedBy((copy) => (copy.offers['free-delivery']!.goals.first!.targets.uk = { exact: 6500 }))).toEqual([
    'uk',
  ]);
  expect(touchedBy((copy) => delete copy.offers['free-delivery']!.goals.first!.targets.uk)).toEqual(['uk']);
  expect(touchedBy((copy) => (copy.markets.dk!.name = 'Denmark alone'))).toEqual(['dk']);
  const [zone, { market }] = Object.entries(demoPolicy.zones)[0]!;
  expect(touchedBy((copy) => (copy.zones[zone]!.on = !copy.zones[zone]!.on))).toEqual([market]);
  expect(touchedBy((copy) => (copy.zones[zone]!.market = 'jp'))).toEqual(['jp', market].sort());
  const [option, { zone: of }] = Object.entries(demoPolicy.options)[0]!;
  expect(touchedBy((copy) => delete copy.options[option])).toEqual([demoPolicy.zones[of]!.market]);
});

test('an offer that changes otherwise touches all markets that it is in, and what all rest on all', () => {
  const everywhere = Object.keys(demoPolicy.offers['free-delivery']!.goals.first!.targets).sort();
  expect(touchedBy((copy) => (copy.offers['free-delivery']!.priority += 1))).toEqual(everywhere);
  expect(touchedBy((copy) => (copy.store.name = 'Another'))).toBe('all');
  expect(touchedBy((copy) => (copy.qualifiers = {}))).toBe('all');
  expect(touchedBy((copy) => (copy.testCarts = {}))).toEqual([]);
});

test('every part of a policy is looked at', () => {
  const parts = Object.keys(policySchema().properties).filter((part) => part !== 'version');
  const quiet = new Set(['testCarts', 'shoppers', 'accepted']);
  const unseen = parts.filter((part) => {
    const without = { ...demoPolicy, [part]: part === 'store' ? { ...demoPolicy.store, name: '' } : {} } as Policy;
    const filled = {
      ...without,
      [part]: { some: { markets: {}, zone: '', market: 'x', targets: {}, goals: {}, unlock: {} } },
    };
    const touched = marketsTouched(without, filled as unknown as Policy);
    return !quiet.has(part) && touched !== 'all' && touched.size === 0;
  });
  expect(unseen).toEqual([]);
});

test('who may change some markets changes nothing that concerns others', () => {
  const own = new Set(['uk', 'dk']);
  expect(withinMarkets(new Set(['uk']), own)).toBe(true);
  expect(withinMarkets(new Set(), own)).toBe(true);
  expect(withinMarkets(new Set(['uk', 'jp']), own)).toBe(false);
  expect(withinMarkets('all', own)).toBe(false);
  expect(withinMarkets('all', null)).toBe(true);
});
