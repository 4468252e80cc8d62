import { describe, expect, test } from 'vitest';
import versionOne from '../../../tests/support/store-version-1.json' with { type: 'json' };
import { evaluateLines, pricesOf } from '../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import type { Policy } from '../policy/types.ts';
import { upgradePolicy } from './upgrade.ts';
import { checkPolicy } from './validate.ts';
import { currentVersion } from '../policy/version.ts';

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
    expect(evaluateLines(policy, { winder: 1 }).lead).toMatchObject({
      state: 'progress',
      arguments: { remaining: 7500 - 495 },
    });
    expect(pricesOf(evaluateLines(policy, { 'petrel-stunt': 1 }))).toEqual([[595, 0]]);
  });
  test('what it does not mention is taken over as it is', () => {
    const { offers, markets, ...rest } = upgradePolicy(versionOne) as Policy;
    const { offers: _, markets: __, ...old } = versionOne;
    expect({ ...rest, version: 1 }).toEqual(old);
    expect(Object.keys(offers)).toEqual(['free']);
    expect(markets.nlbe!.tax.classes).toEqual({ standard: '21' });
  });
  test('of version 2: each postcode pattern becomes a list, and computes as before', () => {
    const old = structuredClone(smallStore) as unknown as { version: number; zones: Record<string, unknown> };
    old.version = 2;
    old.zones.coast = {
      order: 9,
      market: 'nlbe',
      name: 'Coast',
      on: true,
      area: {
        include: { a: { kind: 'postcode', country: 'NL', pattern: '17?7 z*' } },
        exclude: { b: { kind: 'postcode', country: 'NL', pattern: '1795 ZX' } },
      },
    };
    const upgraded = upgradePolicy(old) as Policy;
    const check = checkPolicy(upgraded);
    expect(check.ok ? [] : check.faults).toEqual([]);
    expect(upgraded.zones.coast!.area).toEqual({
      include: { a: { kind: 'postcodes', country: 'NL', patterns: { '17?7Z*': true } } },
      exclude: { b: { kind: 'postcodes', country: 'NL', patterns: { '1795ZX': true } } },
    });
  });
  test('of version 3: conditions that include their last minute name the first one that is out', () => {
    const old = structuredClone(smallStore) as unknown as { version: number; qualifiers: Record<string, unknown> };
    old.version = 3;
    const conditions = {
      a: {
        order: 1,
        kind: 'instant',
        operator: 'between',
        at: '2026-12-01T00:00',
        to: '2026-12-31T23:59',
        readIn: 'store',
      },
      b: {
        order: 2,
        kind: 'group',
        of: 'any',
        conditions: {
          c: { order: 1, kind: 'instant', operator: 'after', at: '2026-02-28T23:59', readIn: 'store' },
          d: { order: 2, kind: 'timeOfDay', from: '18:00', to: '23:59', readIn: 'market' },
        },
      },
    };
    old.qualifiers.season = { order: 9, name: 'Season', condition: { of: 'all', conditions } };
    const upgraded = upgradePolicy(old) as Policy;
    const check = checkPolicy(upgraded);
    expect(check.ok ? [] : check.faults).toEqual([]);
    expect(upgraded.qualifiers.season!.condition.conditions).toMatchObject({
      a: { at: '2026-12-01T00:00', to: '2027-01-01T00:00' },
      b: { conditions: { c: { at: '2026-03-01T00:00' }, d: { from: '18:00', to: '00:00' } } },
    });
  });
  test('of this version, of a later one, or no document at all: as they are', () => {
    for (const document of [smallStore, { version: 99 }, { version: 0 }, null, 7, 'policy', []])
      expect(upgradePolicy(document)).toBe(document);
  });
});
