import type { Policy } from '../src/core/policy/types.ts';
import { finishedExperiment, pastOffer } from './order-truth.ts';
import { lowerGoal } from './policy/experiments.ts';
import { demoPolicy } from './policy/demo-policy.ts';

/** A release of the demo store’s past. */
interface PastRelease {
  releasedAt: Date;
  note: string;
  policy: Policy;
}

/** The rules before there were experiments, with an amount of its own in the market of the past offer. @param goal major units */
function rulesOf(experiments: Policy['experiments'], goal?: number): Policy {
  const { experiments: _, ...policy } = structuredClone(demoPolicy);
  const [goals] = Object.values(policy.offers['free-delivery']!.goals);
  if (goal !== undefined) goals!.targets[pastOffer.market] = { exact: goal * 100 };
  return { ...policy, ...(experiments ? { experiments } : {}) };
}

/** Its releases, oldest first; what they did to orders is told in order-truth.ts. */
export const demoReleases: PastRelease[] = [
  // Some orders were placed before there were any.
  { releasedAt: new Date('2024-11-04T08:00:00Z'), note: 'The rules the store began with', policy: rulesOf(undefined) },
  {
    releasedAt: new Date(pastOffer.from),
    note: 'Free delivery from 60 in the Netherlands & Belgium, to see what it does in spring',
    policy: rulesOf(undefined, pastOffer.goal),
  },
  { releasedAt: new Date(pastOffer.until), note: 'Back to 75', policy: rulesOf(undefined) },
  {
    releasedAt: new Date('2026-01-30T09:00:00Z'),
    note: 'An experiment in the United Kingdom: half of the shoppers from 50',
    policy: rulesOf({ [finishedExperiment.experiment]: lowerGoal }),
  },
  {
    releasedAt: new Date('2026-10-02T09:00:00Z'),
    note: 'The United Kingdom stays at 70; an experiment in Denmark',
    policy: demoPolicy,
  },
];
