import { lowerGoal } from '../../../demo/policy/experiments.ts';
import type { Experiment, Policy } from '../../../src/core/policy/types.ts';
import type { PlantedFault } from './planted-fault.ts';

/** One more experiment in the Netherlands, from 1 December 2026 on. */
const begun = (policy: Policy, change: Partial<Experiment> = {}, id = 'planted'): Experiment => {
  const experiment = {
    ...lowerGoal,
    order: 9,
    name: 'Planted',
    market: 'nlbe',
    from: '2026-12-01',
    until: '2027-01-31',
  };
  return ((policy.experiments ??= {})[id] = { ...experiment, ...change });
};

export const inResults: readonly PlantedFault[] = [
  {
    kind: 'experimentTriesNothing',
    plant: (policy) => begun(policy, { offer: 'gone-since' }),
    says: 'Experiment “Planted” tries nothing: its offer is not there any more.',
  },
  {
    kind: 'experimentTriesNothing',
    plant: (policy) => begun(policy, { market: 'gone-since' }),
    says: 'its market is not there any more',
  },
  {
    kind: 'experimentTriesNothing',
    plant: (policy) => {
      policy.offers['free-delivery']!.on = false;
    },
    says: 'Experiment “A higher goal in Denmark” tries nothing: its offer is switched off.',
    also: ['promiseLost', 'textMissing', 'testCartFails', 'rewardChangesNothing', 'goalOutOfReach', 'codeClash'],
  },
  {
    kind: 'experimentsMeet',
    plant: (policy) => begun(policy, { market: 'dk' }),
    says: 'Experiment “Planted” waits while “A higher goal in Denmark” goes on',
  },
  {
    kind: 'experimentsMeet',
    plant: (policy) => {
      begun(policy);
      begun(policy, { name: 'Second', order: 10, from: '2027-01-31', until: '2027-02-28' }, 'second');
    },
    says: 'Experiment “Second” waits while “Planted” goes on',
  },
  {
    kind: 'experimentsMeet',
    plant: (policy) => {
      begun(policy, { order: 9, from: '2026-12-10' });
      begun(policy, { name: 'Second', order: 10, from: '2026-12-01' }, 'second');
    },
    says: 'Experiment “Second” waits while “Planted” goes on',
  },
  {
    kind: 'experimentOver',
    plant: (policy) => begun(policy, { from: '2026-09-01', until: '2026-09-30' }),
    says: 'Experiment “Planted” is over since Wednesday 30 September,',
  },
  {
    kind: 'experimentOver',
    plant: (policy) => begun(policy, { from: '2026-09-01', until: '2026-11-23', offer: 'gone-since' }),
    says: 'Experiment “Planted” is over since',
  },
  {
    kind: 'experimentOver',
    plant: (policy) => {
      delete policy.experiments!['lower-goal-uk']!.outcome;
    },
    says: 'Experiment “A lower goal in the United Kingdom” is over since Sunday 30 August,',
  },
];
