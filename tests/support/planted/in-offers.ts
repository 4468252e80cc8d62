import { tree } from '../conditions.ts';
import type { PlantedFault } from './planted-fault.ts';
import { country, items, steps, value, yesNo } from './pieces.ts';

/** Faults of the kinds that stand at Offers. */
export const inOffers: PlantedFault[] = [
  {
    kind: 'codeClash',
    plant: ({ offers }) => (offers.postcard!.unlock = { by: 'amountOrCode', codes: { GUST10: true } }),
    says: 'The code “GUST10” unlocks',
  },
  {
    kind: 'codeClash',
    plant: ({ offers }) => (offers.postcard!.unlock = { by: 'amountOrCode', codes: { GUST10: true, POST: true } }),
    says: 'The code “GUST10” unlocks “Autumn letter” and “Postcard” alike',
  },
  {
    kind: 'codeGuessed',
    plant: ({ offers }) => (offers.postcard!.unlock = { by: 'amountOrCode', codes: { '1234': true } }),
    says: 'The code “1234” of “Postcard”',
  },
  {
    kind: 'codeGuessed',
    plant: ({ offers }) => (offers.postcard!.unlock = { by: 'amountOrCode', codes: { AB: true } }),
    says: 'The code “AB” of “Postcard”',
  },
  {
    kind: 'offerDates',
    plant: ({ offers }) =>
      (offers['two-steps']!.schedule = { readIn: 'market', from: '2025-11-01T00:00', until: '2025-12-01T00:00' }),
    says: '“Two steps up” is on, but it ended on Monday 1 December',
  },
  {
    kind: 'offerDates',
    plant: ({ offers }) => (offers['free-delivery']!.schedule = { readIn: 'store', until: '2025-12-01T00:00' }),
    says: '“Free delivery” is on, but it ended on',
  },
  {
    kind: 'goalUnderCheapest',
    plant: ({ offers }) => (offers['free-delivery']!.goals.first!.targets.uk = { exact: 10 }),
    says: 'the goal of “Free delivery” is £0.10',
  },
  {
    kind: 'offerMissing',
    plant: ({ offers }) => delete offers['free-delivery']!.goals.first!.targets.jp,
    says: 'has no goal in “Germany & Austria”, “Japan”',
  },
  {
    kind: 'rewardChangesNothing',
    plant: ({ options }) => {
      for (const option of Object.values(options)) if (option.zone.startsWith('uk')) option.charge = steps([0, 0]);
    },
    says: 'In “United Kingdom” reaching a goal of “Free delivery” changes no price',
  },
  {
    kind: 'rewardChangesNothing',
    plant: ({ offers }) => {
      offers['free-delivery']!.goals.first!.rewards.delivery = {
        order: 1,
        kind: 'deliveryAt',
        on: { by: 'all' },
        coversOwnDelivery: true,
        price: Object.fromEntries(['nlbe', 'uk', 'dk', 'ch', 'us', 'jp'].map((id) => [id, { exact: 900_000 }])),
      };
    },
    says: 'In “Japan” reaching a goal of “Free delivery” changes no price',
    also: ['textFault'],
  },
  {
    kind: 'codeClash',
    plant: ({ offers }) => {
      offers.postcard!.unlock = { by: 'code', codes: { GUST10: true } };
    },
    says: 'The code “GUST10” unlocks',
  },
  {
    kind: 'codeGuessed',
    plant: ({ offers }) => (offers.campaign!.unlock = { by: 'code', codes: { X1: true, LONGER: true } }),
    says: 'The code “X1” of “Autumn letter”',
  },
  {
    kind: 'offerNever',
    plant: ({ offers }) => (offers['free-delivery']!.when = tree('all', items('atLeast', 5), items('atMost', 4))),
    says: '“Free delivery” is on, but its condition holds for nobody.',
  },
  {
    kind: 'offerNever',
    plant: ({ offers }) => (offers.neighbours!.when = tree('all', country('oneOf', 'FR'))),
    says: '“Neighbours” is on, but its condition holds for nobody.',
  },
  {
    kind: 'offerNever',
    plant: ({ offers }) =>
      (offers['two-steps']!.when = tree('all', yesNo('shopper.signedIn', true), yesNo('shopper.signedIn', false))),
    says: '“Two steps up” is on, but its condition holds for nobody.',
  },
  {
    kind: 'offerConditionAlways',
    plant: ({ offers }) => (offers['two-steps']!.when = tree('all', country('oneOf', 'DE', 'AT'))),
    says: 'The condition of “Two steps up” holds for everybody',
  },
  {
    kind: 'offerConditionAlways',
    plant: ({ offers }) => (offers['heavy-load']!.when = tree('any', items('atMost', 4), items('atLeast', 2))),
    says: 'The condition of “Heavy load” holds for everybody',
  },
  {
    kind: 'offerConditionAlways',
    plant: ({ offers }) =>
      (offers.postcard!.when = tree('any', yesNo('shopper.signedIn', true), yesNo('shopper.signedIn', false))),
    says: 'holds for everybody',
  },
  {
    kind: 'offerMissing',
    plant: ({ offers }) => delete offers['members-sooner']!.goals.first!.targets.uk,
    says: '“Members sooner” is for every market, but has no goal in “United Kingdom”',
  },
  {
    kind: 'offerMissing',
    plant: ({ offers }) => delete offers.trade!.goals.first!.targets.nlbe,
    says: 'has no goal in “Netherlands & Belgium”',
  },
  {
    kind: 'rewardElsewhere',
    plant: ({ offers }) =>
      (offers['free-delivery']!.goals.first!.rewards = {
        delivery: {
          order: 1,
          kind: 'deliveryFree',
          on: { by: 'list', options: { 'nlbe-door': true, 'uk-tracked': true } },
          coversOwnDelivery: true,
        },
      }),
    says: '“Free delivery” gives nothing in',
  },
  {
    kind: 'rewardElsewhere',
    plant: ({ offers }) =>
      (offers['members-sooner']!.goals.first!.rewards = {
        delivery: {
          order: 1,
          kind: 'deliveryFree',
          on: { by: 'list', options: { 'deat-door': true, 'nlbe-door': true } },
          coversOwnDelivery: true,
        },
      }),
    says: '“Members sooner” gives nothing in “Austria”',
  },
  {
    kind: 'rewardElsewhere',
    plant: ({ offers }) =>
      (offers.trade!.goals.first!.rewards = {
        delivery: {
          order: 1,
          kind: 'deliveryFree',
          on: { by: 'list', options: { 'us-economy': true } },
          coversOwnDelivery: true,
        },
      }),
    says: '“Trade delivery” gives nothing in “Alaska and Hawaii”',
  },
  {
    kind: 'goalUnderCheapest',
    plant: ({ offers }) => (offers['free-delivery']!.goals.first!.targets.jp = { exact: 5 }),
    says: 'every order reaches it',
  },
  {
    kind: 'goalUnderCheapest',
    plant: ({ offers }) => (offers.postcard!.goals.first!.targets.dk = { exact: 100 }),
    says: 'the goal of “Postcard” is',
  },
  {
    kind: 'goalReachedAlready',
    plant: ({ offers }) => (offers['free-delivery']!.goals.first!.targets.nlbe = { exact: 1000 }),
    says: 'past orders came to: it asks hardly anybody for more',
  },
  {
    kind: 'goalReachedAlready',
    plant: ({ offers }) => (offers['first-order']!.goals.first!.targets.nlbe = { exact: 900 }),
    says: 'the goal of “First order” is €9.00',
  },
  {
    kind: 'goalReachedAlready',
    plant: ({ offers }) => (offers['members-sooner']!.goals.first!.targets.nlbe = { exact: 950 }),
    says: 'the goal of “Members sooner” is €9.50',
  },
  {
    kind: 'goalOutOfReach',
    plant: ({ offers }) => (offers['free-delivery']!.goals.first!.targets.nlbe = { exact: 9_000_000 }),
    says: 'none of 1,000 past orders came to that',
  },
  {
    kind: 'goalOutOfReach',
    plant: ({ offers }) => (offers['free-delivery']!.goals.first!.targets.uk = { exact: 9_000_000 }),
    says: 'more than 20 of the dearest that counts',
  },
  {
    kind: 'goalOutOfReach',
    plant: ({ offers }) => (offers['two-steps']!.goals.express!.targets.deat = { exact: 5_000_000 }),
    says: 'a goal of “Two steps up” is €50,000.00',
  },
  {
    kind: 'promiseLost',
    plant: ({ offers }) => (offers['free-delivery']!.when = tree('all', value('atMost', 12_000))),
    says: 'a guest gets “Free delivery” from €75.00, but no longer from €120.01 on',
    also: ['textFault'],
  },
  {
    kind: 'promiseLost',
    plant: ({ offers }) => (offers.postcard!.when = tree('all', value('lessThan', 80_000, 'dk'))),
    says: 'a guest gets “Postcard” from',
  },
  {
    kind: 'promiseLost',
    plant: ({ offers }) => (offers['two-steps']!.when = tree('all', value('between', 0, 'deat', 10_000))),
    says: 'a guest gets “Two steps up” from €59.00, but no longer from €100.01 on',
  },
  {
    kind: 'rewardChangesNothing',
    plant: ({ options }) => (options['jp-air']!.charge = steps([0, 0])),
    says: 'In “Japan” reaching a goal of “Free delivery” changes no price',
    also: ['textFault'],
  },
  {
    kind: 'offersMeet',
    plant: ({ offers }) => (offers['members-sooner']!.when = tree('all')),
    says: '“Members sooner” and “Free delivery” both act on',
  },
  {
    kind: 'offersMeet',
    plant: ({ offers }) => (offers['first-order']!.when = tree('all')),
    says: '“First order” and “Free delivery” both act on',
  },
  {
    kind: 'offersMeet',
    plant: ({ offers }) => (offers.trade!.when = tree('all')),
    says: '“Trade delivery” and “',
  },
  {
    kind: 'offerDates',
    plant: ({ offers }) => (offers.trade!.schedule = { readIn: 'store', until: '2026-01-01T00:00' }),
    says: '“Trade delivery” is on, but it ended on',
  },
];
