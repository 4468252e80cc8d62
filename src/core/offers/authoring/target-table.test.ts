import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { checkPolicy } from '../../checks/validate.ts';
import type { Goal, Policy } from '../../policy/types.ts';
import { targetIn } from '../target.ts';
import {
  decimalMarkOf,
  followingTargets,
  pastedTargets,
  roundedTargets,
  spreadTarget,
  unevenTargets,
} from './target-table.ts';

const goal = demoPolicy.offers['free-delivery']!.goals.first!;
const put = (targets: Goal['targets']): Policy => ({
  ...demoPolicy,
  offers: {
    ...demoPolicy.offers,
    'free-delivery': { ...demoPolicy.offers['free-delivery']!, goals: { first: { ...goal, targets } } },
  },
});
const amounts = (targets: Goal['targets']) =>
  Object.fromEntries(
    Object.keys(targets).map((market) => [market, targetIn(put(targets), 'free-delivery', 'first', market)]),
  );
const valid = (targets: Goal['targets']) => {
  const check = checkPolicy(put(targets));
  return check.ok ? [] : check.faults;
};
const row = { offer: 'free-delivery', goal: 'first' };
const spares = { offer: 'three-spares', goal: 'first' };

describe('pasting', () => {
  test('cells go rightward and downward, as the reader’s language writes numbers; an empty one is not offered', () => {
    expect(pastedTargets('1.075,50\t\n3\t4\n', [row, spares], ['nlbe', 'uk'], demoPolicy, 'comma')).toEqual({
      cells: [
        { ...row, market: 'nlbe', value: 107_550 },
        { ...row, market: 'uk', value: null },
        { ...spares, market: 'nlbe', value: 3 },
        { ...spares, market: 'uk', value: 4 },
      ],
      wrong: [],
    });
    expect(pastedTargets('1,075.50', [row], ['uk'], demoPolicy, 'point').cells[0]!.value).toBe(107_550);
    expect(pastedTargets('9500', [row], ['jp'], demoPolicy, 'point').cells[0]!.value).toBe(9500);
  });
  test('what cannot be taken is told with its place', () => {
    expect(pastedTargets('dear\t60.005\t5\n0\t1\t1', [row], ['nlbe', 'uk'], demoPolicy, 'point').wrong).toEqual([
      { row: 1, column: 1, text: 'dear', reason: 'is not a number' },
      { row: 1, column: 2, text: '60.005', reason: 'has more than 2 decimals' },
      { row: 1, column: 3, text: '5', reason: 'lies outside of the grid' },
      { row: 2, column: 1, text: '0', reason: 'lies outside of the grid' },
      { row: 2, column: 2, text: '1', reason: 'lies outside of the grid' },
      { row: 2, column: 3, text: '1', reason: 'lies outside of the grid' },
    ]);
    expect(pastedTargets('-1', [row], ['uk'], demoPolicy, 'point').wrong[0]!.reason).toMatch(
      /not less than nothing|not a number/,
    );
    expect(pastedTargets('0', [row], ['uk'], demoPolicy, 'point')).toMatchObject({ wrong: [], cells: [{ value: 0 }] });
  });
  test('the decimal mark is that of the language', () =>
    expect(['en-GB', 'nl-NL', 'de-DE', 'ja-JP'].map(decimalMarkOf)).toEqual(['point', 'comma', 'comma', 'point']));
});

describe('amounts of a row', () => {
  test('one that asks for far more than the others stands out', () => {
    expect([...unevenTargets(goal, demoPolicy).keys()]).toEqual([]);
    const odd = unevenTargets({ ...goal, targets: { ...goal.targets, uk: { exact: 14_000 } } }, demoPolicy);
    expect([...odd.keys()]).toEqual(['uk']);
    expect(odd.get('uk')!).toBeGreaterThan(1.35);
    expect(unevenTargets({ ...goal, targets: { nlbe: { exact: 100 }, uk: { exact: 9000 } } }, demoPolicy).size).toBe(0);
  });
  test('follow one amount of the base currency', () => {
    const targets = followingTargets(goal, 8000, 5, demoPolicy);
    expect(targets.nlbe).toEqual({ exact: 8000 });
    expect(targets.uk).toMatchObject({ following: { base: 8000, step: 500 } });
    expect(targets.jp).toMatchObject({ following: { base: 8000, step: 500 } });
    expect(Object.keys(targets)).toEqual(Object.keys(goal.targets));
    expect(valid(targets)).toEqual([]);
  });
  test('are rounded to multiples', () => {
    const rounded = amounts(
      roundedTargets({ ...goal, targets: { ...goal.targets, uk: { exact: 6840 } } }, 5, demoPolicy),
    );
    expect(rounded.uk).toBe(7000);
    expect(rounded.dk! % 500).toBe(400);
    expect(valid(roundedTargets(goal, 5, demoPolicy))).toEqual([]);
  });
  test('are spread from one market over others', () => {
    const targets = spreadTarget('uk', goal, Object.keys(demoPolicy.markets), 5, demoPolicy);
    expect(targets.uk).toEqual({ exact: 7000 });
    expect((targets.deat as { exact: number }).exact % 500).toBe(0);
    expect(Object.keys(targets).sort()).toEqual(Object.keys(demoPolicy.markets).sort());
    expect(valid(targets)).toEqual([]);
    expect([...unevenTargets({ ...goal, targets }, demoPolicy).keys()]).toEqual([]);
  });
});
