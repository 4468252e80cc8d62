import fc from 'fast-check';
import { expect, test } from 'vitest';
import { randomPolicyWithZones } from '../../../tests/support/random-policy.ts';
import type { Policy } from '../../core/policy/types.ts';
import { deltaOf, withDelta } from './policy-delta.ts';

test('a policy arrives as it is, whatever it was before, and what has not changed stays the same', () => {
  fc.assert(
    fc.property(randomPolicyWithZones, randomPolicyWithZones, (before, after) => {
      const there = withDelta(null, structuredClone(deltaOf(null, before)));
      expect(there).toEqual(before);
      // Half of it is as it was.
      const mixed: Policy = { ...after, markets: before.markets, zones: before.zones };
      const arrived = withDelta(before, deltaOf(before, mixed));
      expect(arrived).toEqual(mixed);
      expect(arrived.zones).toBe(before.zones);
    }),
    { numRuns: 50 },
  );
});

test('one entry travels alone', () => {
  const [before] = fc.sample(randomPolicyWithZones, 1) as [Policy];
  const [id, option] = Object.entries(before.options)[0]!;
  const after: Policy = { ...before, options: { ...before.options, [id]: { ...option, name: 'Other' } } };
  const delta = deltaOf(before, after);
  expect(delta).toEqual({
    members: {},
    entries: { options: { [id]: { ...option, name: 'Other' } } },
    gone: { options: [] },
  });
  const { [id]: _, ...others } = before.options;
  const without = deltaOf(before, { ...before, options: others });
  expect(without.gone).toEqual({ options: [id] });
  expect(withDelta(before, without).options).toEqual(others);
});
