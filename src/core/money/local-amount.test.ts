import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { changed as changedPolicy, evaluateLines } from '../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { policyChanges } from '../changes/changes.ts';
import type { Policy } from '../policy/types.ts';
import { checkPolicy } from '../checks/validate.ts';
import { convertAmount } from './convert.ts';
import { followingNear, localMoneyOf, resolveAmount, type LocalMoney } from './local-amount.ts';
import { toCashIncrement } from './rounding.ts';

const gbp: LocalMoney = { currency: 'GBP', baseCurrency: 'EUR', rate: '0.8571', cashIncrement: undefined };
const following = (
  base: number,
  change: Partial<{ buffer: string; round: 'nearest' | 'up' | 'down'; step: number; less: number }> = {},
) => ({ following: { base, buffer: '0', round: 'nearest' as const, step: 1, less: 0, ...change } });

describe('an amount to follow near a local one', () => {
  test('is whole in the base currency and round here', () => {
    expect(followingNear(6000, gbp, 500)).toEqual(following(7000, { step: 500 }));
    expect(resolveAmount(followingNear(6000, gbp, 500)!, gbp)).toBe(6000);
    expect(followingNear(13000, { ...gbp, currency: 'JPY', rate: '162.35' }, 500)).toEqual(
      following(8000, { step: 500 }),
    );
  });
  test('comes to the local amount but for half a step and half a unit of the base, at any rate', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 5_000_000 }),
        fc.integer({ min: 1, max: 400_000 }),
        fc.constantFrom(1, 50, 100),
        (minor, rate, step) => {
          const money = { ...gbp, rate: (rate / 1000).toFixed(3) };
          const amount = followingNear(minor, money, step);
          if (amount === null) return;
          expect(amount.following.base % 100).toBe(0);
          expect(Math.abs(resolveAmount(amount, money)! - minor)).toBeLessThanOrEqual(
            Math.max(rate / 20, amount.following.base === 100 ? rate / 10 : 0) + step / 2 + 1,
          );
        },
      ),
    );
  });
  test('there is none in the base currency or without a rate', () => {
    expect(followingNear(6000, { ...gbp, currency: 'EUR' }, 100)).toBeNull();
    expect(followingNear(6000, { ...gbp, rate: null }, 100)).toBeNull();
  });
});

describe('a local amount', () => {
  test('exact is what it says, whatever the rate', () =>
    expect(resolveAmount({ exact: 7000 }, { ...gbp, rate: null })).toBe(7000));
  test('following is base × rate × (1 + buffer), rounded once', () => {
    expect(resolveAmount(following(8000), gbp)).toBe(6857);
    expect(resolveAmount(following(8000, { buffer: '2.5' }), gbp)).toBe(7028);
  });
  test('rounded to a step in a stated direction, less an ending', () => {
    expect(resolveAmount(following(8000, { step: 500 }), gbp)).toBe(7000);
    expect(resolveAmount(following(8000, { step: 500, round: 'down' }), gbp)).toBe(6500);
    expect(resolveAmount(following(8000, { step: 500, round: 'up', less: 5 }), gbp)).toBe(6995);
  });
  test('in currencies with no minor unit or three decimals', () => {
    expect(resolveAmount(following(8000, { step: 500 }), { ...gbp, currency: 'JPY', rate: '162.35' })).toBe(13000);
    expect(resolveAmount(following(8000), { ...gbp, currency: 'BHD', rate: '0.4102' })).toBe(32816);
  });
  test('a following amount keeps to the cash increment', () =>
    expect(
      resolveAmount(following(8000, { step: 1 }), { ...gbp, currency: 'CHF', rate: '0.9433', cashIncrement: 5 }),
    ).toBe(7545));
  test('without an adopted rate there is none', () =>
    expect(resolveAmount(following(8000), { ...gbp, rate: null })).toBeNull());
  test('is never below nothing', () => expect(resolveAmount(following(100, { step: 500, less: 5 }), gbp)).toBe(0));
  test('up is never less, down never more, nearest within half a step of the exact value', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e7 }),
        fc.integer({ min: 1, max: 99_999 }),
        fc.integer({ min: 1, max: 1000 }),
        (base, rate, step) => {
          const money = { ...gbp, rate: `${Math.floor(rate / 1000)}.${String(rate % 1000).padStart(3, '0')}` };
          const exact = (base * rate) / 1000;
          const [up, down, nearest] = (['up', 'down', 'nearest'] as const).map((round) =>
            resolveAmount(following(base, { step, round }), money)!,
          );
          expect(up!).toBeGreaterThanOrEqual(exact - 1e-3);
          expect(down!).toBeLessThanOrEqual(exact + 1e-3);
          expect(Math.abs(nearest! - exact)).toBeLessThanOrEqual(step / 2 + 1e-3);
        },
      ),
    );
  });
});

describe('conversion', () => {
  const eur = { rate: '1', exponent: 2 };
  test('between two other currencies goes through the base and is rounded once', () => {
    expect(convertAmount(10_000, { rate: '0.8571', exponent: 2 }, { rate: '162.35', exponent: 0 })).toBe(18942);
  });
  test('there and back differs by no more than rounding at each end', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), (minor) => {
        const dkk = { rate: '7.4604', exponent: 2 };
        expect(Math.abs(convertAmount(convertAmount(minor, eur, dkk), dkk, eur) - minor)).toBeLessThanOrEqual(1);
      }),
    );
  });
  test('a rate of zero is refused', () =>
    expect(() => convertAmount(1, { rate: '0', exponent: 2 }, eur)).toThrow(/zero/));
});

describe('in a policy', () => {
  const changed = (change: (policy: Policy) => void): Policy => changedPolicy(smallStore, change);
  const follow = (policy: Policy) => {
    policy.offers['free-delivery']!.goals.first!.targets.uk = following(8000, { step: 500 });
    policy.rates = { GBP: { rate: '0.8571', adoptedAt: '2026-11-20' } };
  };

  test('a following goal is enforced at its local amount', () => {
    const zone = compilePolicy(changed(follow)).markets.get('uk')!.zones[0]!;
    expect(zone.offers[0]!.goals[0]!.target).toBe(7000);
  });
  test('it needs an adopted rate, and the fault says so', () => {
    const check = checkPolicy(
      changed((policy) => (policy.offers['free-delivery']!.goals.first!.targets.uk = following(8000))),
    );
    expect(check).toEqual({
      ok: false,
      faults: [
        {
          pointer: '/offers/free-delivery/goals/first/targets/uk',
          message: 'follows the base currency, but no rate of GBP has been adopted',
        },
      ],
    });
  });
  test('rates are of other, existing currencies and more than nothing', () => {
    const faults = (currency: string, rate: string) => {
      const check = checkPolicy(
        changed((policy) => (policy.rates = { [currency]: { rate, adoptedAt: '2026-11-20' } })),
      );
      return check.ok ? [] : check.faults.map(({ pointer }) => pointer);
    };
    expect(faults('GBP', '0.8571')).toEqual([]);
    expect(faults('EUR', '1')).toEqual(['/rates/EUR']);
    expect(faults('QQQ', '1')).toEqual(['/rates/QQQ']);
    expect(faults('GBP', '0.000')).toEqual(['/rates/GBP/rate']);
    expect(faults('GBP', '.5')).toEqual(['/rates/GBP/rate']);
  });
  test('changes are told in both currencies', () => {
    expect(policyChanges(smallStore, changed(follow), 'en-GB')).toMatchObject([
      { subject: 'Goal of “Free delivery” in United Kingdom', before: '£70.00', after: '£70.00, following €80.00' },
      { subject: 'Adopted rate of GBP' },
    ]);
    const later = changed(follow);
    later.rates!.GBP!.rate = '0.9123';
    expect(policyChanges(changed(follow), later, 'en-GB')).toMatchObject([
      { subject: 'Adopted rate of GBP', before: '0.8571', after: '0.9123' },
    ]);
  });
  test('delivery prices keep to the market’s cash increment', () => {
    const swiss = changed((policy) => {
      policy.markets.uk!.cashIncrement = 5;
      Object.assign(policy.options['uk-tracked']!.charge.lines['step-1']!.price, { fixed: { exact: 893 } });
    });
    expect(
      evaluateLines(swiss, { winder: 1 }, { destination: { country: 'GB', postcode: '' } }).options[0],
    ).toMatchObject({ before: 895, after: 895 });
    expect(toCashIncrement(892, 5)).toBe(890);
    expect(localMoneyOf(swiss, 'uk')).toMatchObject({ currency: 'GBP', rate: null, cashIncrement: 5 });
  });
});
