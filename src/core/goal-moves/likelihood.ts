import { likelihoodAt, type Response } from '../orders/response.ts';
import type { GoalMeasure } from './measured-orders.ts';

/**
 * Likelihood that an order of a measured value adds what it lacks to a goal; 0 out of reach. Pieces are whole: who lacks one is
 * just below, and one is always within reach.
 */
export function likelihoodOf(measure: GoalMeasure, response: Response, goal: number, value: number): number {
  if (measure === 'value') return Math.min(1, likelihoodAt(response, goal, value));
  const lacking = goal - value;
  const most = Math.max(1, Math.floor(goal * response.reach));
  if (lacking <= 0 || lacking > most) return 0;
  const far = most === 1 ? 0 : (lacking - 1) / (most - 1);
  return Math.min(1, response.near + (response.far - response.near) * far);
}
