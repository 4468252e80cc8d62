import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { faultInWords } from '../checks/fault-in-words.ts';
import { applyToPolicy, patchBetween, samePolicy, withPatches } from './patch.ts';
import { checkPolicy } from '../checks/validate.ts';
import type { Policy } from './types.ts';

const changed = (change: (policy: Policy) => void): Policy => {
  const policy = structuredClone(demoPolicy);
  change(policy);
  return policy;
};

describe('a patch on a policy', () => {
  test('leaves the policy as it was, and shares what it does not touch', () => {
    const before = JSON.stringify(demoPolicy);
    const outcome = applyToPolicy(demoPolicy, [
      { op: 'replace', path: '/zones/nlbe-all/name', value: 'All' },
      { op: 'replace', path: '/zones/nlbe-all/on', value: false },
    ]);
    expect(JSON.stringify(demoPolicy)).toBe(before);
    const next = outcome.ok ? outcome.policy : demoPolicy;
    expect(next.zones['nlbe-all']).toMatchObject({ name: 'All', on: false });
    expect([
      next.options === demoPolicy.options,
      next.zones['nlbe-islands'] === demoPolicy.zones['nlbe-islands'],
      next.zones['nlbe-all'] === demoPolicy.zones['nlbe-all'],
    ]).toEqual([true, true, false]);
  });
  test('that does not fit names its operation, and is left out whole among others', () => {
    const wrong = [
      { op: 'replace' as const, path: '/zones/nlbe-all/name', value: 'All' },
      { op: 'remove' as const, path: '/zones/nowhere/name' },
    ];
    expect(applyToPolicy(demoPolicy, wrong)).toMatchObject({ ok: false, operation: 1 });
    expect(withPatches(demoPolicy, [wrong])).toBe(demoPolicy);
  });
  test('between two policies leads from one to the other, whatever of the demo store is left out or moved', () => {
    const ids = Object.keys(demoPolicy.options);
    fc.assert(
      fc.property(
        fc.subarray(ids, { maxLength: 6 }),
        fc.subarray(ids, { maxLength: 6 }),
        fc.integer({ min: 0, max: 9999 }),
        (gone, renamed, number) => {
          const other = changed(({ options, store }) => {
            for (const id of renamed) options[id]!.name = `Option ${number}`;
            for (const id of gone) delete options[id];
            if (number % 2) store.name = `Store ${number}`;
          });
          const there = withPatches(demoPolicy, [patchBetween(demoPolicy, other)]);
          expect(there).toEqual(other);
          expect([samePolicy(there, other), samePolicy(there, demoPolicy)]).toEqual([
            true,
            JSON.stringify(other) === JSON.stringify(demoPolicy),
          ]);
          expect(withPatches(there, [patchBetween(there, demoPolicy)])).toEqual(demoPolicy);
        },
      ),
    );
  });
});

describe('checking what has changed on a valid policy', () => {
  test('finds what checking all of it finds', () => {
    const wrongs: ((policy: Policy) => void)[] = [
      ({ zones }) => (zones['nlbe-all']!.market = 'nowhere'),
      ({ options }) => ((options['nlbe-door'] as { kind: string }).kind = 'pigeon'),
      ({ markets }) => (markets.uk!.countries = ['NL']),
      ({ rates }) => delete rates!.DKK,
      (policy) => ((policy as { surprise?: number }).surprise = 1),
      ({ options }) => ((options as Record<string, unknown>)['Not an id'] = options['nlbe-door']),
    ];
    for (const wrong of wrongs) {
      const next = changed(wrong);
      const shared = withPatches(demoPolicy, [patchBetween(demoPolicy, next)]);
      const [whole, part] = [checkPolicy(next), checkPolicy(shared, demoPolicy)];
      expect(whole.ok).toBe(false);
      expect(part).toEqual(whole);
    }
  });
  test('a zone that goes is missed by the conditions of options that were not touched', () => {
    const when = {
      of: 'any' as const,
      conditions: {
        there: {
          order: 1,
          kind: 'word' as const,
          fact: 'destination.zone' as const,
          operator: 'is' as const,
          values: ['spare'],
        },
      },
    };
    const before = changed((policy) => {
      policy.zones.spare = { ...policy.zones['nlbe-all']!, order: 99 };
      policy.options['uk-tracked']!.when = when;
    });
    expect(checkPolicy(before).ok).toBe(true);
    const { spare: _, ...zones } = before.zones;
    expect(checkPolicy({ ...before, zones }, before)).toMatchObject({
      ok: false,
      faults: [{ pointer: '/options/uk-tracked/when/conditions/there/values/0' }],
    });
  });
  test('more entries than there may be are found too', () => {
    const crowd = Object.fromEntries(
      Array.from({ length: 201 }, (_, index) => [`cart-${index}`, demoPolicy.testCarts['beach-day']!]),
    );
    expect(checkPolicy({ ...demoPolicy, testCarts: crowd }, demoPolicy)).toMatchObject({
      ok: false,
      faults: [{ pointer: '/testCarts' }],
    });
  });
});

test('a fault is told with the name of what it is about', () => {
  expect(
    faultInWords(
      { pointer: '/zones/nlbe-all/area/include/x/country', message: "AT is not a country of this zone's market" },
      demoPolicy,
    ),
  ).toBe("Zone “All of the Netherlands and Belgium”: AT is not a country of this zone's market");
  expect(
    faultInWords({ pointer: '/options/nlbe-door/estimate/max', message: 'must not be less than min' }, demoPolicy),
  ).toBe('Delivery option “Parcel to the door”, max: must not be less than min');
  expect(faultInWords({ pointer: '/store/timeZone', message: 'is not an IANA time zone' }, demoPolicy)).toBe(
    'The store, timeZone: is not an IANA time zone',
  );
});
