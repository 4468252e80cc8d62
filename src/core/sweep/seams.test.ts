import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { onlyFreeDelivery } from '../../../tests/support/only-free-delivery.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import type { Policy } from '../policy/types.ts';
import { seamsOf } from './seams.ts';

const instant = Date.parse('2026-11-25T12:00Z');
const zoneOf = (policy: Policy, market: string) => compilePolicy(policy).markets.get(market)!.zones[0]!;
const situation = (country: string) => ({ destination: { country, postcode: '' }, instant });
const paid = (options: readonly { optionId: string; after: number }[], id: string) =>
  options.find(({ optionId }) => optionId === id)?.after;

describe('seams', () => {
  test('are the amounts at which prices or goals change, with what is paid around each', () => {
    const seams = seamsOf(zoneOf(onlyFreeDelivery(7000), 'uk'), situation('GB'), 20_000);
    expect(seams.map(({ at }) => at)).toEqual([5000, 7000]);
    expect(
      seams.map(({ below, here, above }) => [below, here, above].map(({ options }) => paid(options, 'uk-tracked'))),
    ).toEqual([
      [895, 695, 695],
      [695, 0, 0],
    ]);
    expect(seams.map(({ promise }) => promise)).toMatchObject([
      { kind: 'kept', offerId: 'free-delivery', remaining: 2001 },
      { kind: 'kept', remaining: 1 },
    ]);
  });
  test('it is one where nearly there begins', () => {
    const policy = structuredClone(onlyFreeDelivery(7000));
    policy.offers['free-delivery']!.nearly = { amounts: { uk: { exact: 900 } } };
    const seams = seamsOf(zoneOf(policy, 'uk'), situation('GB'), 20_000);
    expect(seams.map(({ at, below, here }) => [at, below.lead?.state, here.lead?.state])).toEqual([
      [5000, 'progress', 'progress'],
      [6100, 'progress', 'nearly'],
      [7000, 'nearly', 'reached'],
    ]);
  });
  test('a smaller amount more that brings as much is told, whoever gives it', () => {
    const policy = structuredClone(onlyFreeDelivery(7000));
    const free = policy.offers['free-delivery']!;
    policy.offers.sooner = {
      ...structuredClone(free),
      name: 'Sooner',
      priority: free.priority - 1,
      goals: { first: { ...structuredClone(free.goals.first!), targets: { uk: { exact: 6500 } } } },
    };
    const [first] = seamsOf(zoneOf(policy, 'uk'), situation('GB'), 20_000);
    expect(first).toMatchObject({
      at: 5000,
      promise: { kind: 'kept', offerId: 'free-delivery', remaining: 2001, least: 1501 },
    });
  });
  test('none lies beyond where one looks', () =>
    expect(seamsOf(zoneOf(onlyFreeDelivery(7000), 'uk'), situation('GB'), 6999).map(({ at }) => at)).toEqual([5000]));
  test.each(Object.keys(demoPolicy.markets))(
    'in every market of the demo store every promise is kept: %s',
    (market) => {
      const zone = zoneOf(demoPolicy, market);
      const seams = seamsOf(zone, situation(zone.market.market.countries[0]!), 10_000_000);
      expect(seams.length).toBeGreaterThan(0);
      expect(seams.filter(({ promise }) => promise.kind === 'broken')).toEqual([]);
      for (const { at, below, here } of seams) {
        const said = ({ options, offers, lead }: typeof here) =>
          JSON.stringify([
            lead?.state,
            options.map(({ optionId, before, after }) => [optionId, before, after]),
            offers.map(({ goals }) => goals.map(({ reached }) => reached)),
          ]);
        expect(said(here), `nothing changes at ${at}`).not.toBe(said(below));
      }
    },
  );
});
