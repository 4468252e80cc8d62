import type { Density } from './density.ts';
import { niceStep } from './nice-step.ts';
import { ordersBetween, type Distribution } from './distribution.ts';

/** A bunch of orders around a value. Minor units. */
export interface Peak {
  at: number;
  /** how far it rises above the higher of the valleys beside it, as a share of the highest peak */
  prominence: number;
  /** the stretch in which the density is at least half as far above that valley as at the peak, to round amounts; [from, to) */
  from: number;
  to: number;
  /** share of all orders in that stretch */
  share: number;
}

/**
 * Peaks of a density, lowest value first. A rise counts as a peak when its prominence is at least `least` of the
 * highest peak and it stands out from chance: among n orders the height of a density scatters by about its root.
 */
export function peaksOf(density: Density, distribution: Distribution, least = 0.06): Peak[] {
  const { heights, step, bandwidth } = density;
  const highest = heights.reduce((most, height) => Math.max(most, height), 0);
  if (highest === 0) return [];
  // Standard error of a Gaussian kernel estimate of orders per unit: sqrt(height × R(K) ÷ bandwidth), R(K) = 1 ÷ (2√π).
  const error = (height: number) => Math.sqrt(height / (2 * Math.sqrt(Math.PI) * bandwidth));
  const round = niceStep((heights.length * step) / 200);
  const roundly = (value: number) => Math.round(value / round) * round;
  const peaks: Peak[] = [];
  for (let i = 0; i < heights.length; i++) {
    if (!isTop(heights, i)) continue;
    const valley = Math.max(lowestToward(heights, i, -1), lowestToward(heights, i, 1));
    const rise = heights[i]! - valley;
    if (rise < least * highest || rise < 2 * error(heights[i]!)) continue;
    const level = valley + rise / 2;
    let from = i;
    let to = i;
    while (from > 0 && heights[from - 1]! >= level) from--;
    while (to < heights.length - 1 && heights[to + 1]! >= level) to++;
    const start = roundly(from * step);
    const stretch = { from: start, to: Math.max(start + round, roundly((to + 1) * step)) };
    peaks.push({
      at: Math.round(topBetween(heights, i) * step),
      prominence: rise / highest,
      ...stretch,
      share: ordersBetween(distribution, stretch.from, stretch.to) / Math.max(1, distribution.orders),
    });
  }
  return peaks;
}

/** Higher than on its left and not lower than on its right, so that a level top counts once. */
function isTop(heights: Float64Array, i: number): boolean {
  const here = heights[i]!;
  return here > (heights[i - 1] ?? 0) && here >= (heights[i + 1] ?? 0) && here > 0;
}

/** The lowest height on the way to higher ground on one side; 0 when there is none. */
function lowestToward(heights: Float64Array, i: number, direction: -1 | 1): number {
  let lowest = heights[i]!;
  for (let j = i + direction; j >= 0 && j < heights.length; j += direction) {
    if (heights[j]! > heights[i]!) return lowest;
    lowest = Math.min(lowest, heights[j]!);
  }
  return 0;
}

/** The top of the parabola through a grid point and its neighbours. */
function topBetween(heights: Float64Array, i: number): number {
  const left = heights[i - 1] ?? heights[i]!;
  const right = heights[i + 1] ?? heights[i]!;
  const bend = left - 2 * heights[i]! + right;
  return bend < 0 ? i + Math.max(-0.5, Math.min(0.5, (left - right) / (2 * bend))) : i;
}
