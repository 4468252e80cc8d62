import { niceStep } from '../orders/nice-step.ts';
import { furthest, nearest } from './best-goal.ts';
import type { GoalMeasure } from './measured-orders.ts';
import type { MoveCurve } from './move-curve.ts';

/**
 * An amount to begin trying with, roundly: of those near the goal in force the one that brings most, where they have one; where
 * more, or less, is always better, a tenth more than now. Without a goal in force the one that brings most of all.
 */
export function firstMove({ along, present }: MoveCurve, measure: GoalMeasure): number | null {
  const near = along.filter(
    ({ candidate }) => present === null || (candidate! >= present * nearest && candidate! <= present * furthest),
  );
  const best = near.reduce<MoveCurve['along'][number] | null>(
    (most, one) => (most && most.net >= one.net ? most : one),
    null,
  );
  if (!best) return present;
  const inside = best.net > 0 && best !== near[0] && best !== near.at(-1);
  if (present === null || inside) return roundly(best.candidate!, measure);
  return Math.max(roundly(present * 1.1, measure), measure === 'items' ? present + 1 : 1);
}

function roundly(value: number, measure: GoalMeasure): number {
  const step = measure === 'items' ? 1 : niceStep(value / 40);
  return Math.max(step, Math.round(value / step) * step);
}
