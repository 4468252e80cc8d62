import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { changed } from '../../../tests/support/evaluate-store.ts';
import {
  changedWithin,
  changesIn,
  freeAround,
  goalsOver,
  marketLookedAt,
  type DatedStep,
} from './changes-of-market.ts';
import { releaseStep } from './release-step.ts';
import { goalOn } from '../orders/goal-timeline.ts';

const withTarget = (minor: number | null) =>
  changed(demoPolicy, (policy) => {
    const { targets } = policy.offers['free-delivery']!.goals.first!;
    if (minor === null) delete targets.nlbe;
    else targets.nlbe = { exact: minor };
  });

describe('what a release changed', () => {
  test('is nothing where nothing changed, and a goal of one market in that market alone', () => {
    expect(releaseStep(demoPolicy, demoPolicy)).toEqual({ offers: [], others: 0 });
    expect(releaseStep(demoPolicy, withTarget(6000))).toEqual({
      offers: [
        {
          offer: 'free-delivery',
          name: 'Free delivery',
          change: 'changes',
          markets: { nlbe: { before: 7500, after: 6000 } },
        },
      ],
      others: 0,
    });
    expect(releaseStep(demoPolicy, withTarget(null)).offers[0]!.markets).toEqual({
      nlbe: { before: 7500, after: null },
    });
  });
  test('reaches every market of an offer where it names none', () => {
    const off = changed(demoPolicy, (policy) => (policy.offers['free-delivery']!.on = false));
    const [step] = releaseStep(demoPolicy, off).offers;
    expect(step).toMatchObject({ change: 'ends', markets: { nlbe: { before: 7500, after: null } } });
    expect(Object.keys(step!.markets)).toEqual(expect.arrayContaining(['uk', 'dk', 'jp']));
    expect(releaseStep(off, demoPolicy).offers[0]!.change).toBe('begins');
  });
  test('counts what is no offer apart, and leaves offers out that were off before and after', () => {
    const named = changed(demoPolicy, (policy) => (Object.values(policy.options)[0]!.name = 'By balloon'));
    expect(releaseStep(demoPolicy, named)).toEqual({ offers: [], others: 1 });
    const off = changed(demoPolicy, (policy) => (policy.offers['free-delivery']!.on = false));
    const offAndLower = changed(off, (policy) => (policy.offers['free-delivery']!.priority = 99));
    expect(releaseStep(off, offAndLower).offers).toEqual([]);
  });
});

describe('changes of a market', () => {
  const step = (
    number: number,
    day: number,
    before: number | null,
    after: number | null,
    market = 'nlbe',
  ): DatedStep => ({
    number,
    day,
    note: '',
    first: number === 1,
    offers: [{ offer: 'free', name: 'Free delivery', change: 'changes', markets: { [market]: { before, after } } }],
    others: 0,
  });
  const steps = [
    step(4, 400, 6000, 7500),
    step(3, 300, 1, 2, 'uk'),
    step(2, 200, 7000, 6000),
    { ...step(1, 100, null, null), offers: [] },
  ];
  const changes = changesIn(steps, 'nlbe');

  test('are those of its offers, the newest first', () => {
    expect(changes.map(({ release, before, after }) => [release, before, after])).toEqual([
      [4, 6000, 7500],
      [2, 7000, 6000],
    ]);
    expect(changesIn(steps, 'constructor')).toEqual([]);
  });
  test('tell which goal was in force on a day, also before the first that is known', () => {
    const goal = goalOn(goalsOver(changes, 'free', 7500));
    expect([0, 199, 200, 399, 400, 900].map(goal)).toEqual([7000, 7000, 6000, 6000, 7500, 7500]);
    expect(goalOn(goalsOver(changes, 'other', 5000))(250)).toBe(5000);
  });
  test('leave days between them in which nothing else was changed', () => {
    expect(freeAround(changes, 200)).toEqual({ from: 0, to: 400 });
    expect(freeAround(changes, 400)).toMatchObject({ from: 201 });
    expect(freeAround(changes, 300)).toEqual({ from: 201, to: 400 });
  });
  test('make a market unfit to compare with while they are within the windows', () => {
    const windows = { before: { from: 250, to: 306 }, after: { from: 307, to: 363 } };
    expect(changedWithin(steps, 'uk', windows)).toBe(true);
    expect(changedWithin(steps, 'nlbe', windows)).toBe(false);
    expect(changedWithin(steps, 'nlbe', { ...windows, after: { from: 394, to: 401 } })).toBe(true);
  });
  test('lead to the market that is asked for, else to where the newest was', () => {
    expect(marketLookedAt('dk', demoPolicy, steps, 500)).toBe('dk');
    expect(marketLookedAt('nowhere', demoPolicy, steps, 500)).toBe('nlbe');
    expect(marketLookedAt(undefined, demoPolicy, steps.slice(1), 500)).toBe('uk');
    // Of what was changed this week there is nothing to say yet.
    expect(marketLookedAt(undefined, demoPolicy, steps, 406)).toBe('uk');
    expect(marketLookedAt(undefined, demoPolicy, steps, 407)).toBe('nlbe');
    expect(marketLookedAt('constructor', demoPolicy, [], 500)).toBe('nlbe');
    expect(marketLookedAt(undefined, { markets: {} }, steps, 500)).toBeNull();
  });
});
