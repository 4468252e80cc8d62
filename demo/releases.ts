import type { Policy } from '../src/core/policy/types.ts';
import { pastOffer } from './order-truth.ts';
import { demoPolicy } from './policy/demo-policy.ts';

/** A release of the demo store’s past. */
interface PastRelease {
  releasedAt: Date;
  note: string;
  policy: Policy;
}

/** The store’s rules with another amount in the market of the past offer. @param goal major units */
function withGoal(goal: number): Policy {
  const policy = structuredClone(demoPolicy);
  const [goals] = Object.values(policy.offers['free-delivery']!.goals);
  goals!.targets[pastOffer.market] = { exact: goal * 100 };
  return policy;
}

/** Its releases, oldest first; what they did to orders is told in order-truth.ts. */
export const demoReleases: PastRelease[] = [
  // Some orders were placed before there were any.
  { releasedAt: new Date('2024-11-04T08:00:00Z'), note: 'The rules the store began with', policy: demoPolicy },
  {
    releasedAt: new Date(pastOffer.from),
    note: 'Free delivery from 60 in the Netherlands & Belgium, to see what it does in spring',
    policy: withGoal(pastOffer.goal),
  },
  { releasedAt: new Date(pastOffer.until), note: 'Back to 75', policy: demoPolicy },
];
