import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf } from '../catalogue/product.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import { inputOfTestCart } from '../evaluation/test-cart-input.ts';
import type { ArmVersion, Experiment, Policy } from '../policy/types.ts';
import { quoteAnswer } from '../quote/quote-answer.ts';
import { CompiledExperiments } from './compile-experiments.ts';
import { policyOfArm } from './policy-of-arm.ts';
import { whyNothing } from './subject.ts';

const plain: Experiment = {
  order: 1,
  name: 'Lower in the Netherlands',
  market: 'nlbe',
  offer: 'free-delivery',
  goal: Object.keys(demoPolicy.offers['free-delivery']!.goals)[0]!,
  arms: {
    now: { order: 1, name: 'as it is', share: 5000, version: { kind: 'asIs' } },
    lower: { order: 2, name: '45.00', share: 2500, version: { kind: 'target', target: { exact: 4500 } } },
  },
  from: '2026-03-01',
  until: '2026-03-28',
  measure: 'margin',
  smallestEffect: 200,
  plannedOrders: 2000,
  guard: false,
};
const noneEnded = new Map<string, number>();
const during = Date.parse('2026-03-10T12:00Z');
const storeWith = (...experiments: Partial<Experiment>[]): Policy => ({
  ...demoPolicy,
  experiments: Object.fromEntries(
    experiments.map((one, index) => [`trial-${index + 1}`, { ...plain, order: index, ...one }]),
  ),
});
const compiledWith = (...experiments: Partial<Experiment>[]) =>
  new CompiledExperiments(compilePolicy(storeWith(...experiments)));
const shoppers = Array.from({ length: 400 }, (_, index) => `shopper-${index}`);

describe('the arm of a shopper', () => {
  test('is the same whenever it is asked for, and by its share', () => {
    const experiments = compiledWith({});
    const arms = shoppers.map((shopper) => experiments.armOf('nlbe', shopper, during, noneEnded)?.arm ?? null);
    expect(shoppers.map((shopper) => experiments.armOf('nlbe', shopper, during, noneEnded)?.arm ?? null)).toEqual(arms);
    const of = (wanted: string | null) => arms.filter((arm) => arm === wanted).length;
    expect(of('now')).toBeGreaterThan(170);
    expect(of('lower')).toBeGreaterThan(70);
    expect(of(null)).toBeGreaterThan(70);
  });

  test('is none in other markets, before its first minute and after its last, on the store’s clock', () => {
    const experiments = compiledWith({});
    const at = (moment: string) =>
      shoppers.some((shopper) => experiments.armOf('nlbe', shopper, Date.parse(moment), noneEnded) !== null);
    const offset = demoPolicy.store.timeZone === 'Europe/Amsterdam' ? 1 : NaN;
    expect(offset).toBe(1);
    expect(at('2026-02-28T22:59:59Z')).toBe(false);
    expect(at('2026-02-28T23:00:00Z')).toBe(true);
    expect(at('2026-03-28T22:59:59Z')).toBe(true);
    expect(at('2026-03-28T23:00:00Z')).toBe(false);
    expect(shoppers.some((shopper) => experiments.armOf('uk', shopper, during, noneEnded) !== null)).toBe(false);
  });

  test('is none once it is decided, or has ended by itself', () => {
    const decided = compiledWith({ outcome: { endedOn: '2026-03-05', kept: null, learnt: '' } });
    expect(decided.none).toBe(true);
    const experiments = compiledWith({});
    const ended = new Map([['trial-1', during]]);
    expect(experiments.goingOn('nlbe', during - 1, ended)).toBe('trial-1');
    expect(experiments.goingOn('nlbe', during, ended)).toBeNull();
  });

  test('is of one experiment in a market at a time: the first in the list', () => {
    const experiments = compiledWith({ from: '2026-03-12' }, { from: '2026-03-05' });
    expect(experiments.goingOn('nlbe', Date.parse('2026-03-02T12:00Z'), noneEnded)).toBeNull();
    expect(experiments.goingOn('nlbe', during, noneEnded)).toBe('trial-2');
    expect(experiments.goingOn('nlbe', Date.parse('2026-03-13T12:00Z'), noneEnded)).toBe('trial-1');
  });

  test.each<[string, Partial<Experiment>, (policy: Policy) => void]>([
    ['noMarket', { market: 'nowhere' }, () => {}],
    ['noOffer', { offer: 'nothing' }, () => {}],
    ['offerOff', {}, (policy) => (policy.offers['free-delivery']!.on = false)],
    ['notInMarket', {}, (policy) => (policy.offers['free-delivery']!.markets = { uk: true })],
    ['noGoal', { goal: 'nothing' }, () => {}],
    [
      'otherMeasure',
      { arms: { ...plain.arms, lower: { ...plain.arms.lower!, version: { kind: 'target', target: { count: 3 } } } } },
      () => {},
    ],
  ])('is none where nothing is tried: %s', (why, change, plant) => {
    const policy = structuredClone(storeWith(change));
    plant(policy);
    expect(whyNothing(policy, policy.experiments!['trial-1']!)).toBe(why);
    expect(new CompiledExperiments(compilePolicy(policy)).none).toBe(true);
  });
});

describe('the rules of an arm', () => {
  const versions: fc.Arbitrary<ArmVersion> = fc.oneof(
    fc.constant<ArmVersion>({ kind: 'asIs' }),
    fc.constant<ArmVersion>({ kind: 'none' }),
    fc.integer({ min: 0, max: 20_000 }).map((exact): ArmVersion => ({ kind: 'target', target: { exact } })),
    fc.constant<ArmVersion>({
      kind: 'rewards',
      rewards: Object.values(demoPolicy.offers['two-steps']!.goals)[0]!.rewards,
    }),
  );
  const catalogue = catalogueOf(demoProducts);
  const carts = Object.values(demoPolicy.testCarts);
  const resultOf = (policy: Policy, cart: (typeof carts)[number]) => {
    const compiled = compilePolicy(policy);
    const evaluation = evaluate(compiled, inputOfTestCart(cart, catalogue, during).input);
    const { look: _, ...answer } = quoteAnswer(compiled, evaluation, cart.language);
    return answer;
  };

  test('are those that the store would have, had it that version, in its market; and nothing else moves', () => {
    fc.assert(
      fc.property(versions, fc.constantFrom(...carts), (version, cart) => {
        const experiment = { ...plain, arms: { ...plain.arms, tried: { order: 3, name: '', share: 1, version } } };
        const policy = policyOfArm(demoPolicy, experiment, 'tried');
        const byHand = structuredClone(demoPolicy);
        const goal = byHand.offers['free-delivery']!.goals[plain.goal]!;
        if (version.kind === 'target') goal.targets.nlbe = version.target;
        if (version.kind === 'none') delete goal.targets.nlbe;
        if (version.kind === 'rewards') goal.rewards = version.rewards;
        expect(resultOf(policy, cart)).toEqual(resultOf(byHand, cart));
        if (resultOf(demoPolicy, cart).market !== 'nlbe' && version.kind !== 'rewards')
          expect(resultOf(policy, cart)).toEqual(resultOf(demoPolicy, cart));
      }),
      { numRuns: 60 },
    );
  });

  test('are the store’s own for an arm that sees the goal as it stands', () => {
    const compiled = compilePolicy(storeWith({}));
    const experiments = new CompiledExperiments(compiled);
    expect(experiments.arm('trial-1', 'now')!.compiled).toBe(compiled);
    expect(experiments.arm('trial-1', 'lower')!.compiled).not.toBe(compiled);
    expect(experiments.arm('trial-1', 'lower')!.compiled).toBe(experiments.arm('trial-1', 'lower')!.compiled);
    expect(experiments.arm('trial-1', 'gone')).toBeNull();
    expect(experiments.arm('constructor', 'now')).toBeNull();
  });
});
