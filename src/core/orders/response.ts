import type { Assumption } from '../policy/types.ts';

/**
 * What is assumed of shoppers when a goal is set, in plain numbers (2-domain §10). An order is within reach when it lacks at
 * most `reach` of the goal; it then adds what is missing with a likelihood that falls evenly from `near` just below the goal
 * to `far` at the end of the reach.
 */
export interface Response {
  /** share of added goods value that stays as margin */
  margin: number;
  /** share of the goal */
  reach: number;
  near: number;
  far: number;
  /** the likelihoods may be wrong by this share of themselves, either way */
  spread: number;
  /** what a second reward costs per order that gets it, minor units */
  secondReward: number;
}

/** What stands until somebody says otherwise: no measurement, a starting point that is shown as what it is. */
export const usualAssumption: Assumption = {
  margin: '45',
  reach: '25',
  near: '40',
  far: '10',
  spread: '50',
  secondReward: 300,
};

export function responseOf({ margin, reach, near, far, spread, secondReward }: Assumption): Response {
  const share = (percent: string) => Number(percent) / 100;
  return {
    margin: share(margin),
    reach: share(reach),
    near: share(near),
    far: share(far),
    spread: share(spread),
    secondReward,
  };
}

/** Likelihood that an order of `value` adds what it lacks to a goal; 0 out of reach. */
export function likelihoodAt({ reach, near, far }: Response, goal: number, value: number): number {
  const lacking = goal - value;
  const most = goal * reach;
  if (lacking <= 0 || lacking > most) return 0;
  return near + (far - near) * (lacking / most);
}
