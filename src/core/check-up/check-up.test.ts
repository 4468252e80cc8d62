import { describe, expect, test } from 'vitest';
import { demoProducts } from '../../../demo/products.ts';
import { tree, type Node } from '../../../tests/support/conditions.ts';
import { changed } from '../../../tests/support/evaluate-store.ts';
import { demoToPlantIn, examinedDemo } from '../../../tests/support/planted/examined-demo.ts';
import { plantedFaults } from '../../../tests/support/planted/planted-faults.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { catalogueOf, type Product } from '../catalogue/product.ts';
import { checkPolicy } from '../checks/validate.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { inputOfTestCart } from '../evaluation/test-cart-input.ts';
import { withPatches } from '../policy/patch.ts';
import type { Policy } from '../policy/types.ts';
import { checkUp } from './check-up.ts';
import type { Finding } from './finding.ts';
import type { SurfaceKnown } from './kind.ts';
import { findingKinds } from './registry.ts';

const { now } = examinedDemo(demoToPlantIn);
const findingsOf = (
  policy: Policy,
  products: readonly Product[] = demoProducts,
  surfaces?: Record<string, SurfaceKnown>,
) => checkUp(examinedDemo(policy, products, surfaces)).findings;
const demo = findingsOf(demoToPlantIn);
const known = new Set(demo.map(({ id }) => id));

describe('faults that are planted into the demo', () => {
  test('are three or more of each kind that can be found', () => {
    const planted = findingKinds.all.map(({ kind }): [string, number] => [
      kind,
      plantedFaults.filter((fault) => fault.kind === kind).length,
    ]);
    expect(planted.filter(([, count]) => count < 3)).toEqual([['limitUsedUp', 0]]);
  });
  test.each(plantedFaults.map((planted, index) => [`${index + 1} ${planted.kind}`, planted] as const))(
    '%s',
    (_, seed) => {
      const products = structuredClone(demoProducts);
      seed.products?.(products);
      const policy = seed.plant ? changed(demoToPlantIn, seed.plant) : demoToPlantIn;
      expect(checkPolicy(policy)).toMatchObject({ ok: true });
      const fresh = findingsOf(policy, products, seed.surfaces).filter(({ id, sentence }) => {
        const before = demo.find((finding) => finding.id === id);
        return !before || before.sentence !== sentence;
      });
      expect(fresh.filter(({ kind }) => kind === seed.kind).map(({ sentence }) => sentence)).toEqual(
        expect.arrayContaining([expect.stringContaining(seed.says)]),
      );
      // Nothing else is called wrong, but for test carts, which come out otherwise wherever prices do.
      const expected = [seed.kind, 'testCartFails', ...(seed.also ?? [])];
      expect(fresh.filter(({ kind, severity }) => severity === 'wrong' && !expected.includes(kind))).toEqual([]);
    },
  );
});

/** Whether an evaluation shows what a finding of a kind says. */
const shows: Partial<Record<string, (evaluation: Evaluation, finding: Finding) => boolean>> = {
  guaranteeBroken: ({ options }, { sentence }) =>
    sentence.includes('none of them') ? options.length === 0 : options.some(({ after }) => after > 0),
  uncoveredCountry: ({ noOptions }) => noOptions === 'noZone',
  zoneWithoutOption: ({ noOptions }) => noOptions === 'zoneWithoutOptions',
  nothingToChoose: ({ noOptions }) => noOptions === 'noneApplies',
  stepGap: ({ unavailable }, { at }) =>
    unavailable.some(({ optionId, reason }) => at.startsWith(`/options/${optionId}/`) && reason === 'noLineApplies'),
  digitalCharged: ({ noOptions }) => noOptions !== 'nothingToDeliver',
  testCartFails: ({ marketId }) => marketId !== null,
  carrierWithoutFallback: ({ unavailable }, { at }) =>
    unavailable.some(({ optionId }) => at.startsWith(`/options/${optionId}/`)),
  unmeasuredProduct: ({ measures }) =>
    measures!.charged.withoutWeight.length + measures!.charged.withoutSize.length > 0,
  pieceOverLimit: ({ measures }) => measures!.charged.weight > 0,
  goalUnderCheapest: ({ offers }, { at }) =>
    offers.some(({ offerId, goals }) => at.startsWith(`/offers/${offerId}/`) && goals[0]!.counted >= goals[0]!.target!),
};

/** What is found in a policy that is not in the demo. */
const freshIn = (policy: Policy, products?: readonly Product[]): Finding[] =>
  findingsOf(policy, products).filter(
    ({ id, sentence }) => demo.find((finding) => finding.id === id)?.sentence !== sentence,
  );

test('an example shows what its sentence says, and a remedy takes its finding away', () => {
  const looked: [Policy, Product[], readonly Finding[]][] = [
    [demoToPlantIn, demoProducts, demo],
    [smallStore, demoProducts, findingsOf(smallStore)],
  ];
  for (const { plant, products } of plantedFaults) {
    const sold = structuredClone(demoProducts);
    products?.(sold);
    const policy = plant ? changed(demoToPlantIn, plant) : demoToPlantIn;
    looked.push([policy, sold, freshIn(policy, sold)]);
  }
  const shown = new Set<string>();
  const mended = new Set<string>();
  for (const [policy, products, findings] of looked) {
    const compiled = compilePolicy(policy);
    for (const finding of findings) {
      const { example, remedy, kind, id } = finding;
      if (example) {
        const { input } = inputOfTestCart(example, catalogueOf(products), now);
        expect([id, shows[kind]!(evaluate(compiled, input), finding)]).toEqual([id, true]);
        shown.add(kind);
      }
      if (remedy && !(mended.has(kind) && policy !== demoToPlantIn)) {
        const after = withPatches(policy, [remedy.patch]);
        expect(checkPolicy(after)).toMatchObject({ ok: true });
        expect(findingsOf(after, products).map((one) => one.id)).not.toContain(id);
        mended.add(kind);
      }
    }
  }
  expect([...shown].sort()).toEqual(Object.keys(shows).sort());
  expect([...mended].sort()).toEqual([
    'codeClash',
    'lineNever',
    'noticeConditionAlways',
    'noticeDates',
    'offerConditionAlways',
    'offerDates',
    'offerMissing',
    'optionConditionAlways',
    'optionDates',
    'shadowedLine',
    'stepGap',
  ]);
}, 120_000);

test('what is accepted with a reason is so in every locale, until it says something else', () => {
  const found = demo.find(({ kind }) => kind === 'offersMeet')!;
  const accepted = { [found.id]: { reason: 'It is meant so.', sentence: found.sentence } };
  const policy: Policy = { ...demoToPlantIn, accepted };
  expect(checkPolicy(policy)).toMatchObject({ ok: true });
  const standing = (of: Policy, locale: string) =>
    checkUp({ ...examinedDemo(of), locale }).findings.find(({ id }) => id === found.id);
  expect(standing(policy, 'en-GB')?.accepted).toBe('It is meant so.');
  expect(standing(policy, 'de-DE')).toMatchObject({ accepted: 'It is meant so.' });
  expect(standing(policy, 'de-DE')!.sentence).not.toBe(found.sentence);
  const moved = changed(policy, ({ offers }) => (offers.postcard!.goals.first!.targets.dk = { exact: 61_000 }));
  expect(standing(moved, 'en-GB')).toMatchObject({ accepted: null });
});

test('what cannot be looked at is said', () => {
  const wide = (fact: number): Node[] =>
    Array.from({ length: 15 }, (_, index) => ({
      kind: 'contents',
      operator: 'contains',
      goods: { products: [`p-${fact}-${index}`] },
    }));
  const anyOf = (nodes: Node[]): Node => ({ kind: 'group', ...tree('any', ...nodes) }) as Node;
  const policy = changed(demoToPlantIn, ({ options }) => {
    options['uk-collection']!.when = tree('all', anyOf(wide(1)), anyOf(wide(2)), anyOf(wide(3)));
  });
  expect(checkPolicy(policy)).toMatchObject({ ok: true });
  expect(checkUp(examinedDemo(policy)).notExamined).toContainEqual({
    kind: 'optionNever',
    stop: 'delivery',
    at: '/options/uk-collection',
    because: 'What “Collection point” asks for comes to more than 2000 combinations.',
  });
});

test('every finding has an id of its own, and the worst come first', () => {
  expect(known.size).toBe(demo.length);
  const ranks = demo.map(({ severity }) => ['wrong', 'risky', 'remark'].indexOf(severity));
  expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  expect(new Set(demo.map(({ kind }) => kind)).size).toBeLessThan(findingKinds.all.length);
});
