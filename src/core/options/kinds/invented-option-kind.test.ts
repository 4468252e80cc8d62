import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { changed, evaluateLines } from '../../../../tests/support/evaluate-store.ts';
import { policyChanges } from '../../changes/changes.ts';
import { policySchema } from '../../schema/policy-schema.ts';
import { checkPolicy } from '../../checks/validate.ts';
import type { OptionKindRecord } from './option-kind.ts';
import { optionKindOf, optionKinds } from './registry.ts';

/** A kind that exists in this test alone: fetched from a locker, without the goods’ own delivery prices. */
const locker: OptionKindRecord = {
  kind: 'locker' as 'parcel',
  called: 'from a locker',
  several: 'lockers',
  paysOwnDelivery: false,
  chargesGoodsOnly: true,
  isCollected: true,
};
optionKinds.add(locker);
const policy = changed(demoPolicy, (copy) => {
  copy.options['nlbe-door']!.kind = locker.kind;
  copy.options['nlbe-door']!.place = Object.keys(copy.places!)[0]!;
});
const own = Object.keys(demoPolicy.places!).length;

describe('a kind of delivery option that is only registered', () => {
  test('is in the schema, and options of it are valid, with a place where they are collected', () => {
    expect(own).toBeGreaterThan(0);
    expect(policySchema().$defs.optionKind).toMatchObject({ enum: ['parcel', 'pickUp', 'localDelivery', 'locker'] });
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    expect(checkPolicy(changed(policy, (copy) => void (copy.options['nlbe-door']!.kind = 'parcel')))).toMatchObject({
      ok: false,
    });
  });
  test('is named among the changes', () => {
    expect(JSON.stringify(policyChanges(demoPolicy, policy, 'en-GB'))).toContain('from a locker');
  });
  test('is priced as it says: own delivery prices are not paid', () => {
    const priceOf = (store: typeof demoPolicy) =>
      evaluateLines(store, { 'beach-shelter': 1, spinner: 1 }).options.find(({ optionId }) => optionId === 'nlbe-door');
    expect(priceOf(policy)!.before).toBeLessThan(priceOf(demoPolicy)!.before!);
  });
  test('is known by its kind, and cannot be registered twice', () => {
    expect(optionKindOf({ kind: locker.kind })).toBe(locker);
    expect(() => optionKinds.add(locker)).toThrow(RangeError);
    expect(() => optionKindOf({ kind: 'none' as 'parcel' })).toThrow(RangeError);
  });
});
