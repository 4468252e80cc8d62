import { describe, expect, test } from 'vitest';
import versionOne from '../../../tests/support/store-version-1.json' with { type: 'json' };
import { evaluateLines, pricesOf } from '../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import type { Policy } from './types.ts';
import { upgradePolicy } from './upgrade.ts';
import { checkPolicy } from './validate.ts';
import { currentVersion } from './version.ts';

describe('documents of earlier versions', () => {
  test('of version 1: valid after the upgrade, and computed as before', () => {
    expect(checkPolicy(versionOne).ok).toBe(false);
    const before = JSON.stringify(versionOne);
    const upgraded = upgradePolicy(versionOne);
    expect(JSON.stringify(versionOne)).toBe(before);
    const check = checkPolicy(upgraded);
    expect(check.ok ? [] : check.faults).toEqual([]);
    const policy = upgraded as Policy;
    expect(policy.version).toBe(currentVersion);
    expect(pricesOf(evaluateLines(policy, { winder: 1 }))).toEqual([[595, 595]]);
    expect(evaluateLines(policy, { winder: 1 }).lead).toMatchObject({ state: 'progress', arguments: { remaining: 7500 - 495 } });
    expect(pricesOf(evaluateLines(policy, { 'petrel-stunt': 1 }))).toEqual([[595, 0]]);
  });
  test('what it does not mention is taken over as it is', () => {
    const { offers, markets, ...rest } = upgradePolicy(versionOne) as Policy;
    const { offers: _, markets: __, ...old } = versionOne;
    expect({ ...rest, version: 1 }).toEqual(old);
    expect(Object.keys(offers)).toEqual(['free']);
    expect(markets.nlbe!.tax.classes).toEqual({ standard: '21' });
  });
  test('of this version, of a later one, or no document at all: as they are', () => {
    for (const document of [smallStore, { version: 99 }, { version: 0 }, null, 7, 'policy', []]) expect(upgradePolicy(document)).toBe(document);
  });
});
