import type { Experiment } from '../../src/core/policy/types.ts';
import { finishedExperiment, runningExperiment } from '../order-truth.ts';

/** Undecided, as they were begun; what they do to orders is told in order-truth.ts. */
export const lowerGoal: Experiment = {
  order: 1,
  name: 'A lower goal in the United Kingdom',
  note: 'Would orders be worth more if far more shoppers had the goal within reach?',
  market: finishedExperiment.market,
  offer: 'free-delivery',
  goal: 'first',
  arms: {
    'as-it-is': { order: 1, name: 'from 70 as it is', share: 5000, version: { kind: 'asIs' } },
    lower: {
      order: 2,
      name: `from ${finishedExperiment.goal}`,
      share: 5000,
      version: { kind: 'target', target: { exact: finishedExperiment.goal * 100 } },
    },
  },
  from: finishedExperiment.from,
  until: finishedExperiment.lastDay,
  measure: 'orderValue',
  smallestEffect: 800,
  plannedOrders: 1000,
  guard: false,
};

const higherGoal: Experiment = {
  order: 2,
  name: 'A higher goal in Denmark',
  note: 'Do we give delivery away to orders that would come anyhow?',
  market: runningExperiment.market,
  offer: 'free-delivery',
  goal: 'first',
  arms: {
    'as-it-is': { order: 1, name: 'from 549 as it is', share: 5000, version: { kind: 'asIs' } },
    higher: {
      order: 2,
      name: 'from 599',
      share: 5000,
      version: { kind: 'target', target: { exact: runningExperiment.goal * 100 } },
    },
  },
  from: runningExperiment.from,
  until: runningExperiment.lastDay,
  measure: 'margin',
  smallestEffect: 4000,
  plannedOrders: 700,
  guard: true,
};

export const experiments: Record<string, Experiment> = {
  'lower-goal-uk': {
    ...lowerGoal,
    outcome: {
      endedOn: finishedExperiment.lastDay,
      kept: null,
      learnt:
        'Orders grew, but so did the delivery given away: what is left of an order did not surely become more. The goal stays at 70.',
    },
  },
  'higher-goal-dk': higherGoal,
};
