import type { Running } from './running.ts';
import { normalQuantile } from './normal.ts';
import { studentQuantile975 } from './welch.ts';

/** Orders of a market before something was changed somewhere, and after it. */
export interface Panel {
  before: Running;
  after: Running;
}

/** By how much an average was changed, beyond what it changed elsewhere meanwhile. */
export interface Changed {
  /** 0.05: five percent more than elsewhere */
  relative: number;
  low: number;
  high: number;
  /** the average that would have been expected without the change, in its unit */
  expected: number;
  /** how far markets usually go apart, as a standard deviation of relative changes; null: told by one market alone, and not known */
  apart: number | null;
}

interface Change {
  log: number;
  variance: number;
}

/** Fewer members than that in a window, and nothing is said. */
const usualFewest = 30;

/**
 * The difference of differences: how an average changed in one market beside how it changed in others, in relative terms, so
 * that their currencies and levels do not matter. That markets go apart by themselves is taken in as a variance between them;
 * told by a handful of markets it is told roughly, and the interval then holds in 90 to 94 of a hundred cases.
 * Source: J. Angrist and J.-S. Pischke, Mostly Harmless Econometrics (2009), 5.2; averages of others and the variance between
 * them after R. DerSimonian and N. Laird, Controlled Clinical Trials 7 (1986).
 *
 * @param fewest members of a window that something is said of; orders are skewed and need more than days
 * @returns with a 95 % interval; null with too few orders, without other markets, or where nothing is ordered
 */
export function differenceInDifferences(
  treated: Panel,
  others: readonly Panel[],
  fewest: number = usualFewest,
): Changed | null {
  const here = changeOf(treated, fewest);
  const known = others.flatMap((panel) => changeOf(panel, fewest) ?? []);
  if (!here || known.length === 0) return null;
  const between = varianceBetween(known);
  const elsewhere = weighed(known, between ?? 0);
  const log = here.log - elsewhere.log;
  // How far markets go apart is told by few of them, and so by Student’s distribution.
  const [chance, own] = [here.variance + elsewhere.variance, between ?? 0];
  const half = Math.sqrt(
    normalQuantile(0.975) ** 2 * chance + (own > 0 ? studentQuantile975(known.length - 1) ** 2 * own : 0),
  );
  return {
    relative: Math.expm1(log),
    low: Math.expm1(log - half),
    high: Math.expm1(log + half),
    expected: treated.before.mean * Math.exp(elsewhere.log),
    apart: between === null ? null : Math.sqrt(between),
  };
}

/**
 * The logarithm of how an average changed, with its variance by the delta method; null: it cannot be told. What never scatters,
 * as a price that is the same for every order, says nothing of a season either.
 */
function changeOf({ before, after }: Panel, fewest: number): Change | null {
  if (before.count < fewest || after.count < fewest || before.mean <= 0 || after.mean <= 0) return null;
  const relative = ({ squares, count, mean }: Running) => squares / (count * (count - 1)) / mean ** 2;
  const variance = relative(before) + relative(after);
  return variance > 0 ? { log: Math.log(after.mean / before.mean), variance } : null;
}

/** An average of changes, each weighed by how well it is known. */
function weighed(changes: readonly Change[], between: number): Change {
  let [sum, weights] = [0, 0];
  for (const { log, variance } of changes) {
    const weight = 1 / Math.max(variance + between, Number.MIN_VALUE);
    sum += weight * log;
    weights += weight;
  }
  return { log: sum / weights, variance: 1 / weights };
}

/** How far markets go apart beyond chance; null of a single one. */
function varianceBetween(changes: readonly Change[]): number | null {
  if (changes.length < 2) return null;
  const { log: mean } = weighed(changes, 0);
  let [apart, weights, squares] = [0, 0, 0];
  for (const { log, variance } of changes) {
    const weight = 1 / Math.max(variance, Number.MIN_VALUE);
    apart += weight * (log - mean) ** 2;
    weights += weight;
    squares += weight ** 2;
  }
  return Math.max(0, (apart - (changes.length - 1)) / (weights - squares / weights));
}
