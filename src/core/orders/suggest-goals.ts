import type { Outcome } from './candidates.ts';
import { niceStep } from './nice-step.ts';
import type { Peak } from './peaks.ts';

/**
 * An amount to begin trying with: the candidate that brings most, to a round amount; where none brings anything, one a quarter
 * above the first peak. Minor units.
 */
export function firstTrial(curve: readonly Outcome[], peaks: readonly Pick<Peak, 'at'>[]): number {
  const best = curve.reduce<Outcome | null>(
    (most, outcome) => (!most || outcome.net > most.net ? outcome : most),
    null,
  );
  const goal = best && best.net > 0 ? best.goals[0]!.goal : (peaks[0]?.at ?? best?.goals[0]?.goal ?? 1) * 1.25;
  const step = niceStep(goal / 40);
  return Math.max(step, Math.round(goal / step) * step);
}

/** A second one for the peak after the first, an eighth above it. Minor units, above `first`. */
export function secondTrial(first: number, peaks: readonly Pick<Peak, 'at'>[]): number {
  const next = peaks.find(({ at }) => at > first)?.at ?? first * 1.4;
  const step = niceStep(next / 40);
  return Math.ceil((next * 1.125) / step) * step;
}
