import type { ArmVersion, Experiment, Goal, Offer, Policy } from '../policy/types.ts';

/**
 * The policy as shoppers of an arm have it. All but the goal that is tried is shared with the policy, so that little of it is
 * compiled anew.
 *
 * @returns the policy itself for an arm that sees the goal as it stands
 */
export function policyOfArm(policy: Policy, experiment: Experiment, armId: string): Policy {
  const { version } = experiment.arms[armId]!;
  if (version.kind === 'asIs') return policy;
  const offer = policy.offers[experiment.offer]!;
  const goal = goalOfVersion(offer.goals[experiment.goal]!, version, experiment.market);
  return { ...policy, offers: { ...policy.offers, [experiment.offer]: withGoal(offer, experiment.goal, goal) } };
}

const withGoal = (offer: Offer, id: string, goal: Goal): Offer => ({ ...offer, goals: { ...offer.goals, [id]: goal } });

/** A goal in another version. Only its target in the market is touched; other rewards hold wherever the goal does. */
export function goalOfVersion(goal: Goal, version: ArmVersion, market: string): Goal {
  switch (version.kind) {
    case 'asIs':
      return goal;
    case 'none': {
      const { [market]: _, ...targets } = goal.targets;
      return { ...goal, targets };
    }
    case 'target':
      return { ...goal, targets: { ...goal.targets, [market]: version.target } };
    case 'rewards':
      return { ...goal, rewards: version.rewards };
  }
}
