import { setMarkets } from './set-markets.ts';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { inOrder } from '../../core/ordered.ts';
import { withPatches } from '../../core/policy/patch.ts';
import { checkPolicy } from '../../core/checks/validate.ts';
import type { Policy, Reward } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import {
  addCodes,
  addGoal,
  addReward,
  byPriority,
  duplicateOffer,
  movePriority,
  moveGoal,
  removeGoal,
  removeOffer,
  rewardOfKind,
  setAmountIn,
  setMeasure,
  setReward,
  setUnlock,
} from './offer-edits.ts';

const after = (...edits: Edit[]) =>
  edits.reduce((policy, edit) => withPatches(policy, [edit(policy)]), demoPolicy as Policy);
const faults = (policy: Policy) => {
  const check = checkPolicy(policy);
  return check.ok ? [] : check.faults;
};

describe('offers', () => {
  test('are duplicated with their texts, off, and removed with all that refers to them', () => {
    const copied = after(duplicateOffer('free-delivery', 'again'));
    expect(copied.offers.again).toMatchObject({
      name: 'Free delivery, copy',
      on: false,
      goals: demoPolicy.offers['free-delivery']!.goals,
    });
    expect(copied.wording.again).toEqual(demoPolicy.wording['free-delivery']);
    expect(faults(copied)).toEqual([]);
    const gone = after(removeOffer('first-order'));
    expect([
      gone.offers['first-order'],
      gone.wording['first-order'],
      JSON.stringify(gone.testCarts).includes('"first-order":{"inAll"'),
    ]).toEqual([undefined, undefined, false]);
    expect(faults(gone)).toEqual([]);
  });
  test('are put in order of priority from every place to every other', () => {
    const ids = byPriority(demoPolicy).map(([id]) => id);
    for (const [from, id] of ids.entries()) {
      for (const [to] of ids.entries()) {
        const moved = after(movePriority(id, to - from));
        const expected = ids.filter((other) => other !== id);
        expected.splice(to, 0, id);
        const now = byPriority(moved).map(([other]) => other);
        // Equals keep the order they are listed in, so only the moved one's place is asked for where nothing had to move.
        if (to !== from) expect(now).toEqual(expected);
        expect(faults(moved)).toEqual([]);
      }
    }
  });
  test('markets are all of them by naming none', () => {
    expect(
      after(setMarkets(['offers', 'free-delivery', 'markets'], ['nlbe'])).offers['free-delivery']!.markets,
    ).toEqual({ nlbe: true });
    expect(
      after(setMarkets(['offers', 'two-steps', 'markets'], Object.keys(demoPolicy.markets))).offers['two-steps']!
        .markets,
    ).toBeUndefined();
  });
  test('ways to unlock keep the codes', () => {
    const both = after(setUnlock('campaign', 'amountAndCode', 'X'));
    expect(both.offers.campaign!.unlock).toEqual({ by: 'amountAndCode', codes: { GUST10: true, GUST11: true } });
    expect(after(setUnlock('free-delivery', 'amountOrCode', 'WIND')).offers['free-delivery']!.unlock).toEqual({
      by: 'amountOrCode',
      codes: { WIND: true },
    });
    expect(after(addCodes('campaign', ['A1B2C3']))!.offers.campaign!.unlock).toMatchObject({
      codes: { GUST10: true, A1B2C3: true },
    });
  });
});

describe('goals', () => {
  const targets = (policy: Policy) =>
    inOrder(policy.offers['two-steps']!.goals).map(([, { targets: at }]) => (at.deat as { exact: number }).exact);
  test('one is added above, ascending; one is taken out', () => {
    const more = after(addGoal('two-steps'));
    expect(targets(more)).toEqual([5900, 7900, 13_900, 20_900]);
    expect(faults(more)).toEqual([]);
    expect(targets(after(removeGoal('two-steps', 'door')))).toEqual([5900, 13_900]);
    for (const offer of Object.keys(demoPolicy.offers)) expect(faults(after(addGoal(offer)))).toEqual([]);
  });
  test('what they give is moved, the amounts stay', () => {
    const gives = (policy: Policy) =>
      inOrder(policy.offers['two-steps']!.goals).map(([, { rewards }]) => Object.keys(rewards).length);
    const moved = after(moveGoal('two-steps', 'express', -2));
    expect([targets(moved), gives(demoPolicy), gives(moved)]).toEqual([targets(demoPolicy), [1, 1, 2], [2, 1, 1]]);
    expect(faults(moved)).toEqual([]);
  });
  test('counting something else gives targets that fit', () => {
    for (const measure of [
      { kind: 'items' as const },
      { kind: 'weight' as const },
      { kind: 'countedValue' as const, basis: 'beforeDiscountsWithTax' as const },
    ]) {
      for (const offer of ['free-delivery', 'three-spares', 'heavy-load'])
        expect(faults(after(setMeasure(offer, inOrder(demoPolicy.offers[offer]!.goals)[0]![0], measure)))).toEqual([]);
    }
  });
  test('rewards of every kind follow on one another', () => {
    const kinds: Reward['kind'][] = [
      'deliveryAt',
      'deliveryLessPercent',
      'deliveryLessAmount',
      'upgrade',
      'goodsLessPercent',
      'gift',
      'deliveryFree',
    ];
    let policy: Policy = demoPolicy;
    for (const kind of kinds) {
      const before = policy.offers['free-delivery']!.goals.first!.rewards.delivery!;
      policy = withPatches(policy, [
        setReward('free-delivery', 'first', 'delivery', rewardOfKind(kind, before, policy, 'kite-book'))(policy),
      ]);
      expect([policy.offers['free-delivery']!.goals.first!.rewards.delivery!.kind, faults(policy)]).toEqual([kind, []]);
    }
    expect(
      Object.keys(
        after(addReward('free-delivery', 'first', rewardOfKind('gift', null, demoPolicy, 'kite-book'))).offers[
          'free-delivery'
        ]!.goals.first!.rewards,
      ),
    ).toEqual(['delivery', 'reward']);
  });
  test('a cap put into one market holds there alone, and the last amount takes it away', () => {
    const place = ['offers', 'free-delivery', 'goals', 'first', 'rewards', 'delivery', 'cap'];
    const capped = after(setAmountIn(place, 'uk', { exact: 500 }));
    const capOf = (policy: Policy) =>
      (policy.offers['free-delivery']!.goals.first!.rewards.delivery as { cap?: Record<string, unknown> }).cap;
    expect(capOf(capped)).toEqual({ uk: { exact: 500 } });
    expect(faults(capped)).toEqual([]);
    const more = withPatches(capped, [setAmountIn(place, 'nlbe', { exact: 600 })(capped)]);
    expect(capOf(more)).toEqual({ uk: { exact: 500 }, nlbe: { exact: 600 } });
    const emptied = withPatches(more, [setAmountIn(place, 'uk', undefined)(more)]);
    expect(capOf(withPatches(emptied, [setAmountIn(place, 'nlbe', undefined)(emptied)]))).toBeUndefined();
    const members = ['offers', 'free-delivery', 'goals', 'first', 'rewards', 'delivery'];
    const one = withPatches(demoPolicy, [
      [{ op: 'add', path: `/${members.join('/')}/cap`, value: { uk: { exact: 5 } } }],
    ]);
    expect(
      'cap' in
        withPatches(one, [setAmountIn(place, 'uk', undefined)(one)]).offers['free-delivery']!.goals.first!.rewards
          .delivery!,
    ).toBe(false);
  });
});
