import fc from 'fast-check';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { checkPolicy } from '../../checks/validate.ts';
import type { Policy } from '../../policy/types.ts';
import { whyNothing } from '../subject.ts';
import { goalsIn, rewardsOfStore } from './goal-choices.ts';
import { experimentOf, firstPlan, planAbout, roundly, sharesOf, type PlanDraft } from './planned-experiment.ts';

const from = '2026-12-01';
const goalKey = goalsIn(demoPolicy, 'nlbe').find(({ offerId }) => offerId === 'free-delivery')!.key;
const planned = (plan: PlanDraft, policy: Policy = demoPolicy) =>
  experimentOf(policy, plan, { effect: 150, plannedOrders: 4000 });

test('a plan begins with half of the shoppers and a tenth more, where it was begun or where that goal is', () => {
  expect(firstPlan(demoPolicy, goalKey, 'nlbe', from)).toMatchObject({
    market: 'nlbe',
    goal: goalKey,
    arms: [{ share: '50', kind: 'target', target: 8300 }],
  });
  expect(firstPlan(demoPolicy, '', 'mars', from).market).toBe(Object.keys(demoPolicy.markets)[0]);
  const elsewhere = {
    ...demoPolicy,
    offers: {
      'free-delivery': {
        ...demoPolicy.offers['free-delivery']!,
        markets: { uk: true as const },
      },
    },
  };
  expect(firstPlan(elsewhere, goalKey, 'nlbe', from).market).toBe('uk');
  expect(firstPlan({ ...demoPolicy, offers: {} }, goalKey, 'nlbe', from)).toMatchObject({ market: 'nlbe', goal: '' });
});

test('a goal of few pieces begins with one more, not with what is rounded to the same', () => {
  const offer = demoPolicy.offers['free-delivery']!;
  const [goalId, goal] = Object.entries(offer.goals)[0]!;
  const counted = {
    ...demoPolicy,
    offers: {
      pieces: {
        ...offer,
        goals: {
          [goalId]: { ...goal, measure: { kind: 'items' as const }, targets: { nlbe: { count: 3 } } },
        },
      },
    },
  };
  const plan = firstPlan(counted, `pieces/${goalId}`, 'nlbe', from);
  expect(plan.arms[0]!.target).toBe(4);
  expect(planned(plan, counted)!.arms).toMatchObject({
    'arm-1': { name: 'from 3 as it is' },
    'arm-2': { name: 'from 4', version: { kind: 'target', target: { count: 4 } } },
  });
});

test('a plan becomes an experiment with its shares, its weeks and names that say what is seen', () => {
  const plan = firstPlan(demoPolicy, goalKey, 'nlbe', from);
  const three = {
    ...plan,
    firstShare: '40',
    arms: [
      { ...plan.arms[0]!, share: '12.5' },
      { ...plan.arms[0]!, share: '30', kind: 'none' as const },
    ],
    weeks: 4,
    guard: false,
  };
  expect(sharesOf(three)).toEqual([4000, 1250, 3000]);
  expect(planned(three)).toMatchObject({
    name: 'Free delivery in Netherlands & Belgium',
    offer: 'free-delivery',
    from,
    until: '2026-12-28',
    arms: {
      'arm-1': { order: 1, name: 'from 75.00 as it is', share: 4000, version: { kind: 'asIs' } },
      'arm-2': { order: 2, name: 'from 83.00', share: 1250, version: { kind: 'target', target: { exact: 8300 } } },
      'arm-3': { order: 3, name: 'no such goal', share: 3000, version: { kind: 'none' } },
    },
    smallestEffect: 150,
    plannedOrders: 4000,
    guard: false,
  });
  expect(planned({ ...plan, goal: 'gone/1' })).toBeNull();
});

test('of another market or goal amounts begin anew, and shares stay', () => {
  const plan = { ...firstPlan(demoPolicy, goalKey, 'nlbe', from), effect: 99 };
  const there = planAbout(demoPolicy, { ...plan, arms: [{ ...plan.arms[0]!, share: '20' }] }, { market: 'jp' });
  const { targets } = goalsIn(demoPolicy, 'jp').find(({ key }) => key === there.goal)!.goal;
  expect(there).toMatchObject({ market: 'jp', effect: null, arms: [{ share: '20', kind: 'target' }] });
  expect(targets.jp).toBeDefined();
  expect(there.arms[0]!.target).not.toBe(plan.arms[0]!.target);
});

test('whatever is planned in the demo store is an experiment that can be saved and tries something', () => {
  const everywhere = Object.keys(demoPolicy.markets).flatMap((market) =>
    goalsIn(demoPolicy, market).map(({ key }) => [market, key] as const),
  );
  const rewards = rewardsOfStore(demoPolicy).map(({ key }) => key);
  const arm = fc.record({
    share: fc.integer({ min: 1, max: 2000 }).map((share) => String(share / 100)),
    kind: fc.constantFrom('target' as const, 'none' as const, 'rewards' as const),
    target: fc.integer({ min: 1, max: 99_999 }),
    rewardsOf: fc.constantFrom(...rewards),
  });
  const longNames = {
    ...demoPolicy,
    offers: Object.fromEntries(
      Object.entries(demoPolicy.offers).map(([id, offer]) => [id, { ...offer, name: offer.name.padEnd(120, '.') }]),
    ),
  };
  fc.assert(
    fc.property(
      fc.constantFrom(...everywhere),
      fc.array(arm, { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 1, max: 52 }),
      ([market, goal], arms, weeks) => {
        const plan = { ...firstPlan(demoPolicy, goal, market, from), arms, weeks, firstShare: '20' };
        const experiment = { ...planned(plan, longNames)!, order: 1 };
        const policy = { ...longNames, experiments: { tried: experiment } };
        expect(checkPolicy(policy)).toMatchObject({ ok: true });
        expect(whyNothing(policy, experiment)).toBeNull();
      },
    ),
    { numRuns: 60 },
  );
});

test('amounts are rounded to two figures, and never to nothing', () => {
  expect([0, 1, 99, 8250, 123_456].map(roundly)).toEqual([1, 1, 99, 8300, 120_000]);
});
