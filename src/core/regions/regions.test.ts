import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { regionOf, type Box, type Region, type Tree } from './region.ts';
import { both, contraryOf, isNothing, numbers, oneOf, words, type Values } from './values.ts';

/** Every value that two facts can have in these tests, beyond all edges on both sides, and not being known. */
const amounts = [-1, 0, 1, 2, 3, 4, 5, 6, 7, null];
const names = ['red', 'blue', 'green', 'another', null];
const yesNo = ['yes', 'no', null];

const isIn = (values: Values, value: number | string | null): boolean => {
  if (value === null) return values.unknown;
  if (values.kind === 'numbers')
    return values.spans.some(({ from, to }) => Number(value) >= from && Number(value) < to);
  return values.listed.has(String(value)) !== values.allBut;
};
const someNumbers: fc.Arbitrary<Values> = fc
  .tuple(
    fc.array(fc.tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 6 })), { maxLength: 3 }),
    fc.boolean(),
  )
  .map(([pairs, unknown]) =>
    numbers(
      pairs.map(([from, to]) => ({ from, to })),
      unknown,
    ),
  );
const someWords: fc.Arbitrary<Values> = fc
  .tuple(fc.subarray(['red', 'blue', 'green']), fc.boolean(), fc.boolean())
  .map(([listed, contrary, unknown]) =>
    contrary ? contraryOf(words(listed, null, unknown)) : words(listed, null, unknown),
  );
const someYesNo: fc.Arbitrary<Values> = fc
  .tuple(fc.subarray(['yes', 'no']), fc.boolean())
  .map(([listed, unknown]) => words(listed, ['yes', 'no'], unknown));

describe('values of one fact', () => {
  test.each([
    ['numbers', someNumbers, amounts],
    ['words', someWords, names],
    ['yes or no', someYesNo, yesNo],
  ] as const)('of %s are what brute force says', (_, some, all) => {
    fc.assert(
      fc.property(some, some, (a, b) => {
        for (const value of all) {
          expect(isIn(contraryOf(a), value)).toBe(!isIn(a, value));
          expect(isIn(both(a, b), value)).toBe(isIn(a, value) && isIn(b, value));
        }
        const common = both(a, b);
        expect(isNothing(common)).toBe(!all.some((value) => isIn(a, value) && isIn(b, value)));
        if (!isNothing(common)) expect(isIn(common, oneOf(common))).toBe(true);
      }),
    );
  });
});

const leaf: fc.Arbitrary<Tree> = fc.oneof(
  someNumbers.map((values) => ({ fact: 'amount', values })),
  someWords.map((values) => ({ fact: 'name', values })),
  someYesNo.map((values) => ({ fact: 'yes', values })),
);
const someTree: fc.Arbitrary<Tree> = fc.letrec<{ tree: Tree }>((tie) => ({
  tree: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    leaf,
    fc
      .tuple(fc.constantFrom('all', 'any', 'none'), fc.array(tie('tree'), { maxLength: 3 }))
      .map(([of, children]) => ({ of: of as 'all', children })),
  ),
})).tree;

type Point = Record<string, number | string | null>;
const points: Point[] = amounts.flatMap((amount) =>
  names.flatMap((name) => yesNo.map((yes): Point => ({ amount, name, yes }))),
);
/** What a tree says of a point (2-domain §5: a leaf over a missing fact is false, so that `none` of it is true). */
function holds(tree: Tree, point: Point): boolean {
  if (!('of' in tree)) return isIn(tree.values, point[tree.fact]!);
  const held = tree.children.map((child) => holds(child, point));
  if (tree.of === 'all') return held.every(Boolean);
  return tree.of === 'any' ? held.some(Boolean) : !held.some(Boolean);
}
const inBox = (box: Box, point: Point): boolean => [...box].every(([fact, values]) => isIn(values, point[fact]!));
const inRegion = (region: Region, point: Point): boolean => region.some((box) => inBox(box, point));

describe('regions', () => {
  test('are where a tree holds, point for point', () => {
    fc.assert(
      fc.property(someTree, (tree) => {
        const region = regionOf(tree)!;
        expect(points.filter((point) => inRegion(region, point))).toEqual(points.filter((point) => holds(tree, point)));
      }),
      { numRuns: 500 },
    );
  });
  test('too large to be looked at are not examined', () => {
    const choices = (fact: string): Tree => ({
      of: 'any',
      children: Array.from({ length: 10 }, (_, index) => ({ fact: `${fact}${index}`, values: words(['x']) })),
    });
    expect(regionOf({ of: 'all', children: ['a', 'b', 'c', 'd'].map(choices) })).toBeNull();
    expect(regionOf({ of: 'all', children: ['a', 'b', 'c'].map(choices) })).toHaveLength(1000);
  });
});
