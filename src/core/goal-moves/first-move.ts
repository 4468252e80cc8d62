import { niceStep } from '../orders/nice-step.ts';
import type { GoalMeasure } from './measured-orders.ts';
import type { MoveCurve } from './move-curve.ts';

/** An amount to begin trying with: the one that brings most, roundly; null: none brings more than the goal in force. */
export function firstMove({ along }: MoveCurve, measure: GoalMeasure): number | null {
  const best = along.reduce<MoveCurve['along'][number] | null>(
    (most, one) => (most && most.net >= one.net ? most : one),
    null,
  );
  if (!best || best.net <= 0) return null;
  if (measure === 'items') return best.candidate;
  const step = niceStep(best.candidate! / 40);
  return Math.max(step, Math.round(best.candidate! / step) * step);
}
