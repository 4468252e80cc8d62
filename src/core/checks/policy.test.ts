import { readFile } from 'node:fs/promises';
import { expect, describe, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { changed as changedPolicy } from '../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { policyTypes, typesFile } from '../../../scripts/generate-policy-types.ts';
import { policyChanges } from '../changes/changes.ts';
import { emptyPolicy } from '../policy/empty.ts';
import type { Policy } from '../policy/types.ts';
import { checkPolicy } from './validate.ts';

const changed = (change: (policy: Policy) => void): Policy => changedPolicy(smallStore, change);
const faultsOf = (document: unknown) => {
  const check = checkPolicy(document);
  return check.ok ? [] : check.faults;
};

test('the types are those of the schema', async () => {
  expect(await readFile(typesFile, 'utf8')).toBe(await policyTypes());
});

describe('a policy document', () => {
  test('the demo and the empty one are valid', () => {
    expect(faultsOf(demoPolicy)).toEqual([]);
    expect(faultsOf(smallStore)).toEqual([]);
    expect(faultsOf(emptyPolicy())).toEqual([]);
  });
  test('faults name the place by JSON Pointer', () => {
    expect(faultsOf(changed((policy) => (policy.options['nlbe-door']!.zone = 'nowhere')))).toEqual([
      { pointer: '/options/nlbe-door/zone', message: 'there is no zone "nowhere"' },
    ]);
    expect(faultsOf(changed((policy) => (policy.markets.uk!.currency = 'XYZ')))).toMatchObject([
      { pointer: '/markets/uk/currency' },
    ]);
    expect(faultsOf(changed((policy) => policy.markets.uk!.countries.push('BE')))).toMatchObject([
      { message: 'BE already belongs to the market "nlbe"' },
    ]);
    expect(faultsOf({ ...smallStore, extra: 1 })).toEqual([{ pointer: '/extra', message: 'is not a known property' }]);
    expect(
      faultsOf(changed((policy) => (policy.offers['free-delivery']!.goals.first!.targets.uk = { exact: 0.5 }))),
    ).toMatchObject([{ pointer: '/offers/free-delivery/goals/first/targets/uk/exact' }]);
    expect(
      faultsOf(changed((policy) => (policy.offers['free-delivery']!.goals.first!.targets.moon = { exact: 1 }))),
    ).toMatchObject([{ pointer: '/offers/free-delivery/goals/first/targets/moon' }]);
    expect(
      faultsOf(changed((policy) => (policy.options['nlbe-door']!.charge.lines['step-1']!.over!.to = { exact: 0 }))),
    ).toMatchObject([{ message: 'must be more than from' }]);
  });
  test('nothing at all, or anything else, is refused without throwing', () => {
    for (const document of [null, 7, 'policy', [], {}, { version: 2 }])
      expect(faultsOf(document).length).toBeGreaterThan(0);
  });
  test('ids that are names of object internals are refused', () => {
    expect(
      faultsOf(JSON.parse(JSON.stringify(smallStore).replace('"uk":{"order"', '"constructor":{"order"'))).length,
    ).toBeGreaterThan(0);
  });
});

describe('changes between two policies', () => {
  const changes = (change: (policy: Policy) => void) => policyChanges(smallStore, changed(change), 'en-GB');
  test('none between equal ones', () =>
    expect(policyChanges(smallStore, structuredClone(smallStore), 'en-GB')).toEqual([]));
  test('a goal, in the market’s currency', () => {
    expect(
      changes((policy) => (policy.offers['free-delivery']!.goals.first!.targets.uk = { exact: 6500 })),
    ).toMatchObject([
      { stop: 'offers', subject: 'Goal of “Free delivery” in United Kingdom', before: '£70.00', after: '£65.00' },
    ]);
  });
  test('a goal that counts pieces in place of an amount', () => {
    expect(
      changes((policy) =>
        Object.assign(policy.offers['free-delivery']!.goals.first!, {
          measure: { kind: 'items' },
          targets: { uk: { count: 3 } },
        }),
      ),
    ).toMatchObject([
      {},
      {},
      { subject: 'Goal of “Free delivery” in Netherlands & Belgium', before: '€75.00', after: null },
      { subject: 'Goal of “Free delivery” in United Kingdom', before: '£70.00', after: '3' },
    ]);
  });
  test('an offer taken out of a market, and one more market', () => {
    expect(changes((policy) => delete policy.offers['free-delivery']!.goals.first!.targets.uk)).toMatchObject([
      { before: '£70.00', after: null },
    ]);
    expect(changes((policy) => delete policy.options['uk-tracked'])).toMatchObject([
      { stop: 'delivery', before: 'Tracked parcel', after: null },
    ]);
  });
  test('a text and a charge', () => {
    expect(
      changes((policy) => (policy.wording['free-delivery']!.reached!.everyPlace!['en-GB'] = 'Free!')),
    ).toMatchObject([{ stop: 'wording', before: 'Your delivery is free.', after: 'Free!' }]);
    expect(
      changes((policy) =>
        Object.assign(policy.options['nlbe-door']!.charge.lines['step-1']!.price, { fixed: { exact: 700 } }),
      ),
    ).toMatchObject([{ stop: 'delivery', before: '€6.95', after: '€7.00' }]);
  });
  test('a tree of conditions is one change, read out, wherever it stands', () => {
    const when = {
      of: 'all' as const,
      conditions: {
        a: { order: 1, kind: 'yesNo' as const, fact: 'shopper.signedIn' as const, is: true },
        b: {
          order: 2,
          kind: 'number' as const,
          fact: 'cart.weight' as const,
          operator: 'atLeast' as const,
          value: 300,
        },
      },
    };
    const said = 'the shopper is signed in and the weight is at least 300 g';
    expect(changes((policy) => (policy.options['nlbe-door']!.when = when))).toMatchObject([
      { stop: 'delivery', subject: 'Delivery option “Parcel to the door”, for whom', before: null, after: said },
    ]);
    expect(changes((policy) => (policy.options['nlbe-door']!.charge.lines['step-1']!.when = when))).toMatchObject([
      { after: said },
    ]);
    const named = changed((policy) => (policy.qualifiers.known = { order: 1, name: 'Known', condition: when }));
    expect(
      policyChanges(
        named,
        { ...named, qualifiers: { known: { order: 1, name: 'Known', condition: { ...when, of: 'any' } } } },
        'en-GB',
      ),
    ).toMatchObject([
      { stop: 'offers', subject: 'Condition “Known”', before: said, after: said.replace(' and ', ' or ') },
    ]);
  });
  test('every change is said in words, however deep it lies', () => {
    const said = (change: (policy: Policy) => void) =>
      policyChanges(smallStore, changed(change), 'en-GB').map(({ subject, before, after }) => [subject, before, after]);
    const goal = (policy: Policy) => policy.offers['free-delivery']!.goals.first!;
    expect(said((policy) => Object.assign(goal(policy).rewards.delivery!, { cap: { nlbe: { exact: 700 } } }))).toEqual([
      ['Offer “Free delivery”, goal, reward, only options up to, in Netherlands & Belgium', null, '€7.00'],
    ]);
    expect(
      said((policy) => (goal(policy).rewards.delivery = { order: 1, kind: 'gift', product: 'winder', quantity: 1 })),
    ).toContainEqual(['Offer “Free delivery”, goal, reward, kind', 'delivery is free', 'a gift']);
    expect(said((policy) => (policy.options['nlbe-door']!.estimate.cutOff = '15:00'))).toEqual([
      ['Delivery option “Parcel to the door”, estimate, cut-off', null, '15:00'],
    ]);
    expect(said((policy) => (policy.offers['free-delivery']!.limits = { perShopper: 2 }))).toEqual([
      ['Offer “Free delivery”, how often it may be used, for each shopper', null, '2'],
    ]);
    // On random differences of the demo: no inner key, brace or bare “set” is left.
    for (const id of Object.keys(demoPolicy.offers)) {
      const policy = structuredClone(demoPolicy);
      for (const one of Object.values(policy.offers[id]!.goals))
        for (const reward of Object.values(one.rewards))
          if ('on' in reward)
            Object.assign(reward, {
              cap: { nlbe: { exact: 100 } },
              on: { by: 'list', options: { 'nlbe-door': true } },
              coversOwnDelivery: !reward.coversOwnDelivery,
            });
      for (const { subject, before, after } of policyChanges(demoPolicy, policy, 'en-GB'))
        expect(`${subject} ${before} ${after}`).not.toMatch(/[·{}]|coversOwn|nlbe|[a-z][A-Z]|\bset\b/);
    }
  });
  test('test carts and made-up shoppers reach nobody', () =>
    expect(
      changes(
        (policy) => (
          delete policy.testCarts['beach-day'],
          (policy.shoppers = { guest: { order: 1, name: 'Guest', shopper: { signedIn: false } } })
        ),
      ),
    ).toEqual([]));
});
