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

/** Share of the orders of a value that reach a goal, by themselves or by adding. @param goal null: none */
export function reachOf(measure: GoalMeasure, response: Response, goal: number | null): (value: number) => number {
  if (goal === null) return () => 0;
  const { near, far } = response;
  const lowest =
    measure === 'items' ? goal - Math.max(1, Math.floor(goal * response.reach)) : goal - goal * response.reach;
  const falling = measure === 'items' ? 0 : (far - near) / (goal * response.reach);
  return (value) => {
    if (value >= goal) return 1;
    if (value < lowest) return 0;
    const likely = measure === 'items' ? likelihoodOf(measure, response, goal, value) : near + falling * (goal - value);
    return likely > 1 ? 1 : likely;
  };
}
