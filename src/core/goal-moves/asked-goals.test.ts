import { expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { catalogueOf } from '../catalogue/product.ts';
import { demoProducts } from '../../../demo/products.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import type { Offer, Policy } from '../policy/types.ts';
import type { DatedStep } from '../results/changes-of-market.ts';
import { askedGoals, askedOf, goalToWeigh } from './asked-goals.ts';
import { gapProducts } from './gap-products.ts';
import { breakEvenInWords, type MoveNotation } from './move-in-words.ts';
import { movableGoals } from './movable-goals.ts';
import type { MoveOutcome } from './move.ts';

const withOffer = (id: string, change: Partial<Offer>): Policy => ({
  ...demoPolicy,
  offers: { ...demoPolicy.offers, [id]: { ...demoPolicy.offers[id]!, ...change } },
});
const first = 'free-delivery/first';

test('goals that may be moved are those that everybody has, that make delivery free, and that orders can be measured by', () => {
  expect(movableGoals(demoPolicy, 'nlbe').map(({ key, value }) => [key, value])).toEqual([[first, 7500]]);
  expect(movableGoals(demoPolicy, 'us')).toEqual([]);
  expect(movableGoals(demoPolicy, 'mars')).toEqual([]);
  for (const change of [{ on: false }, { archived: true as const }, { when: { all: {} } as unknown as Offer['when'] }])
    expect(movableGoals(withOffer('free-delivery', change as Partial<Offer>), 'nlbe')).toEqual([]);
  const offer = demoPolicy.offers['free-delivery']!;
  const [goalId, goal] = Object.entries(offer.goals)[0]!;
  const pieces = withOffer('free-delivery', {
    goals: {
      [goalId]: { ...goal, measure: { kind: 'items' } as typeof goal.measure, targets: { nlbe: { count: 3 } } },
    },
  });
  expect(movableGoals(pieces, 'nlbe')).toMatchObject([{ measure: 'items', value: 3 }]);
});

const steps: DatedStep[] = [
  {
    number: 2,
    day: 100,
    note: '',
    first: false,
    others: 0,
    offers: [
      {
        offer: 'free-delivery',
        name: 'Free delivery',
        change: 'changes',
        markets: { nlbe: { before: 6000, after: 7500 } },
      },
    ],
  },
];

test('what is in force is what was released, since when releases say', () => {
  const moved = withOffer('free-delivery', {});
  const [asked] = askedGoals(moved, demoPolicy, steps, 'nlbe');
  expect(asked).toMatchObject({
    present: 7500,
    over: {
      measure: 'value',
      timeline: [
        { from: 0, goal: 6000 },
        { from: 100, goal: 7500 },
      ],
    },
  });
  // Not released: it is a goal that might be, and orders came in without it.
  const released = withOffer('free-delivery', { on: false });
  expect(askedGoals(demoPolicy, released, steps, 'nlbe')).toMatchObject([{ present: null, over: { timeline: [] } }]);
  // Without any release the draft says what is in force.
  expect(askedGoals(demoPolicy, null, [], 'nlbe')).toMatchObject([{ present: 7500 }]);
  expect(askedOf([asked!], 'one-more')).toBeNull();
  expect(askedOf([asked!], 'gone/gone')).toBe(asked);
  expect(askedOf([], undefined)).toBeNull();
});

test('a market without such a goal has what an offer would begin with there, or why there is nothing', () => {
  const about = { draft: demoPolicy, release: null, steps: [] };
  expect(goalToWeigh(about, 'us', 'free-delivery')).toBe('notMeasured');
  const offer = demoPolicy.offers['free-delivery']!;
  const [goalId, goal] = Object.entries(offer.goals)[0]!;
  const { jp: _jp, ...targets } = goal.targets;
  const without = withOffer('free-delivery', { goals: { [goalId]: { ...goal, targets } } });
  expect(goalToWeigh({ ...about, draft: without }, 'jp', undefined)).toMatchObject({
    present: null,
    goal: { key: first },
  });
  expect(goalToWeigh({ ...about, draft: { ...demoPolicy, offers: {} } }, 'jp', undefined)).toBe('noOffer');
});

test('the cheapest products that close a gap are named', () => {
  const { terms } = compilePolicy(demoPolicy).markets.get('nlbe')!;
  const named = gapProducts(catalogueOf(demoProducts), terms, 1500, 3);
  expect(named).toHaveLength(3);
  expect(named.map(({ price }) => price)).toEqual([...named.map(({ price }) => price)].sort((a, b) => a - b));
  expect(named[0]!.price).toBeGreaterThanOrEqual(1500);
  expect(gapProducts(catalogueOf(demoProducts), terms, 1e9, 3)).toEqual([]);
});

const notation: MoveNotation = {
  goal: (value) => String(value),
  share: (share) => `${Math.round(share * 1000) / 10} %`,
  orders: (count) => String(Math.round(count)),
};
const outcome: MoveOutcome = {
  present: 75,
  candidate: 85,
  net: 10,
  low: 0,
  high: 20,
  ends: [0, 20],
  margin: 0,
  delivery: 0,
  saved: 0,
  losing: 40,
  gaining: 0,
  breakEvenLost: 0.031,
  breakEvenWon: null,
  reaching: 0.3,
};
const lowered = { ...outcome, candidate: 65, losing: 0, gaining: 50, breakEvenLost: null, breakEvenWon: 0.12 };

test.each([
  [outcome, 'Raising it to 85 pays as long as fewer than 3.1 % of the 40 orders a month between 75 and 85 stay away.'],
  [
    { ...outcome, breakEvenLost: null },
    'Raising it to 85 would pay even if all of the 40 orders a month between 75 and 85 stayed away.',
  ],
  [
    { ...outcome, breakEvenLost: null, net: -1 },
    'Raising it to 85 costs even if none of the 40 orders a month between 75 and 85 stays away.',
  ],
  [
    { ...outcome, candidate: null },
    'Dropping it pays as long as fewer than 3.1 % of the 40 orders a month that lose free delivery stay away.',
  ],
  [
    lowered,
    'Lowering it to 65 pays once more than 12 % as many come as the 50 orders a month that gain free delivery.',
  ],
  [
    { ...lowered, breakEvenWon: null },
    'Lowering it to 65 pays even if none comes beside the 50 orders a month that gain free delivery.',
  ],
  [
    { ...lowered, present: null, breakEvenWon: null, net: -1 },
    'A goal at 65 costs even if as many again come as the 50 orders a month that gain free delivery.',
  ],
  [{ ...outcome, candidate: 75 }, ''],
] as const)('the break-even is said in words %#', (of, words) => {
  expect(breakEvenInWords(of, notation)).toBe(words);
});
