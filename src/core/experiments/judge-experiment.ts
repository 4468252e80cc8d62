import { sampleRatioTail } from '../statistics/chi-square.ts';
import type { AlwaysValid } from '../statistics/confidence-sequence.ts';
import type { FigureId } from '../results/figures/registry.ts';
import type { ExperimentStudy } from './study-experiment.ts';

/** What is known of an arm beside the first. */
export interface JudgedArm {
  id: string;
  /** surely more or less than the first; `alike`: surely no difference worth knowing; `open`: it cannot be told yet */
  verdict: 'more' | 'less' | 'alike' | 'open';
  difference: AlwaysValid | null;
}

/** Below that shoppers did not go to the arms as they were to: one experiment of a thousand does by chance. */
const offBelow = 0.001;
/** Of fewer shoppers the test says nothing: it holds where five are expected in an arm, and ten times as many are waited for. */
const fewestShoppers = 100;

/** @param smallestEffect minor units: a smaller difference is none that is worth knowing */
export function judgeExperiment(study: ExperimentStudy, measure: FigureId, smallestEffect: number): JudgedArm[] {
  return study.arms.slice(1).map(({ id, differences }) => {
    const difference = differences[measure];
    return { id, difference, verdict: difference ? verdictOf(difference, smallestEffect) : 'open' };
  });
}

function verdictOf({ low, high }: AlwaysValid, smallest: number): JudgedArm['verdict'] {
  if (low > 0) return 'more';
  if (high < 0) return 'less';
  return low > -smallest && high < smallest ? 'alike' : 'open';
}

/** The arm that surely loses margin to the first; null: none. */
export function armLosingMargin(study: ExperimentStudy): { id: string; difference: AlwaysValid } | null {
  for (const { id, differences } of study.arms) {
    const difference = differences.margin;
    if (difference && difference.high < 0) return { id, difference };
  }
  return null;
}

/**
 * How likely shoppers would be spread over the arms as they are, or less evenly, by chance; null: too few shoppers to say.
 *
 * @param shoppers of each arm @param shares that they were to have
 */
export function sampleRatio(
  shoppers: readonly number[],
  shares: readonly number[],
): { likely: number; off: boolean } | null {
  if (shoppers.reduce((sum, count) => sum + count, 0) < fewestShoppers) return null;
  const likely = sampleRatioTail(shoppers, shares);
  return { likely, off: likely < offBelow };
}
