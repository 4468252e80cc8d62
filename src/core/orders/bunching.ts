import { fitGroupedMixture, type MixtureFit, type NormalComponent } from '../statistics/grouped-mixture.ts';
import { poissonDeviate, seededRandom } from '../statistics/random.ts';
import { ordersBelow, ordersBetween, valueAtShare, type Distribution } from './distribution.ts';

/**
 * What a goal that was in force did to order values: the orders that stand just above it and would have stood below.
 *
 * A smooth counterfactual is fitted to the counts of orders in narrow bands, without looking at how they are spread
 * inside the window around the goal: only the window's total is used, since an order that is lifted leaves one band of
 * it for another. What stands above the goal beyond the counterfactual has been moved there.
 *
 * Source: bunching at a threshold, R. Chetty et al., Quarterly Journal of Economics 126 (2011), and at a notch,
 * H. Kleven and M. Waseem, Quarterly Journal of Economics 128 (2013), with a bootstrap of the counts as there. In place of
 * their polynomial the counterfactual is a mixture of up to four log-normal distributions, because order values come in
 * peaks and a polynomial bridges the valley between two of them too high; missing and excess orders balance by
 * construction.
 */
export interface BunchingQuestion {
  /** the goal that was in force, minor units */
  goal: number;
  /** the window: from where orders may have been lifted, and up to where they may have landed; minor units */
  from: number;
  to: number;
}

/** An estimate with a 90 % interval. */
export interface Interval {
  low: number;
  likely: number;
  high: number;
}

interface Bunching {
  /** orders above the goal beyond the counterfactual */
  moved: Interval;
  /** the same as a share of the orders that would have been within reach below it */
  share: Interval;
  /** bands with counts and counterfactual, for the picture */
  bands: { from: number; to: number; orders: number; expected: number }[];
  components: number;
}

/** Why the data do not support an estimate. */
export type NoBunching = 'tooFewOrders' | 'roughOutside';

export type BunchingResult = { ok: true; result: Bunching; clear: boolean } | { ok: false; because: NoBunching };

const replicates = 400;
const fewest = 300;
const fewestWithin = 60;
const bandsWanted = 90;

/**
 * @param progress told the share done, a hundred times
 * @param seed of the bootstrap; the same seed gives the same interval
 */
export function measureBunching(
  distribution: Distribution,
  question: BunchingQuestion,
  seed = 1,
  progress: (share: number) => void = () => {},
): BunchingResult {
  const { goal, from, to } = question;
  if (
    distribution.orders < fewest ||
    ordersBetween(distribution, from, goal) + ordersBetween(distribution, goal, to) < fewestWithin
  )
    return { ok: false, because: 'tooFewOrders' };
  const cells = cellsAround(distribution, question);
  const counts = Float64Array.from(
    cells.edges.slice(1),
    (edge, i) => ordersBelow(distribution, edge) - ordersBelow(distribution, cells.edges[i]!),
  );
  const chosen = chooseCurve(cells, counts);
  if (roughness(cells, counts, chosen) > 2) return { ok: false, because: 'roughOutside' };
  const estimate = excessOf(cells, counts, chosen);

  const random = seededRandom(seed);
  const moved: number[] = [];
  const share: number[] = [];
  for (let run = 0; run < replicates; run++) {
    if (run % (replicates / 100) === 0) progress(run / replicates);
    const drawn = counts.map((count) => poissonDeviate(random, count));
    const again = excessOf(cells, drawn, fitGroupedMixture(cells, totalsOf(cells, drawn), chosen.components, 300));
    moved.push(again.moved);
    share.push(again.share);
  }
  const interval = (likely: number, drawn: number[]): Interval => {
    drawn.sort((a, b) => a - b);
    return { low: drawn[Math.floor(drawn.length * 0.05)]!, likely, high: drawn[Math.ceil(drawn.length * 0.95) - 1]! };
  };
  const result: Bunching = {
    moved: interval(estimate.moved, moved),
    share: interval(estimate.share, share),
    bands: Array.from(counts, (orders, i) => ({
      from: cells.edges[i]!,
      to: cells.edges[i + 1]!,
      orders,
      expected: chosen.means[i]!,
    })),
    components: chosen.components.length,
  };
  return { ok: true, result, clear: result.moved.low > 0 };
}

interface Cells {
  edges: number[];
  /** logarithms of the bands' middles, and their widths there */
  middles: number[];
  widths: number[];
  below: number[];
  above: number[];
  groups: number[][];
}

/** Bands of one width that have edges at the window's ends and at the goal, from the first orders to nearly the last. */
function cellsAround(distribution: Distribution, { goal, from, to }: BunchingQuestion): Cells {
  const lowest = valueAtShare(distribution, 0.001);
  const highest = Math.max(valueAtShare(distribution, 0.999), to * 1.1);
  const width = Math.max(1, Math.round((highest - lowest) / bandsWanted));
  const even = (a: number, b: number) => {
    const count = Math.max(1, Math.round((b - a) / width));
    return Array.from({ length: count }, (_, i) => Math.round(a + ((b - a) * i) / count));
  };
  const edges = [
    ...new Set([
      ...even(Math.min(lowest, from), from),
      ...even(from, goal),
      ...even(goal, to),
      ...even(to, highest),
      highest,
    ]),
  ];
  const inside = (low: number, high: number) =>
    edges.flatMap((edge, i) => (i < edges.length - 1 && edge >= low && edge < high ? [i] : []));
  const below = inside(from, goal);
  const above = inside(goal, to);
  const outside = edges.slice(0, -1).flatMap((edge, i) => (edge >= from && edge < to ? [] : [[i]]));
  const log = (value: number) => Math.log(Math.max(0.5, value));
  const middles = edges.slice(1).map((edge, i) => log((edge + edges[i]!) / 2));
  const widths = edges.slice(1).map((edge, i) => log(edge) - log(edges[i]!));
  return { edges, middles, widths, below, above, groups: [...outside, [...below, ...above]] };
}

function totalsOf({ groups }: Cells, counts: Float64Array): number[] {
  return groups.map((cells) => cells.reduce((sum, cell) => sum + counts[cell]!, 0));
}

/** The mixture of one to four log-normal distributions that Schwarz's criterion likes best. */
function chooseCurve(cells: Cells, counts: Float64Array): MixtureFit {
  const totals = totalsOf(cells, counts);
  const orders = totals.reduce((sum, total) => sum + total, 0);
  let best: { fit: MixtureFit; criterion: number } | null = null;
  for (let count = 1; count <= 4; count++) {
    const fit = fitGroupedMixture(cells, totals, startAt(cells, counts, count), 2000);
    const criterion = (3 * count - 1) * Math.log(orders) - 2 * fit.logLikelihood;
    if (!best || criterion < best.criterion) best = { fit, criterion };
  }
  return best!.fit;
}

/** Components of equal share, each over its part of the orders. */
function startAt({ middles }: Cells, counts: Float64Array, count: number): NormalComponent[] {
  const all = counts.reduce((sum, n) => sum + n, 0);
  const at = (share: number) => {
    let passed = 0;
    for (let i = 0; i < counts.length; i++) if ((passed += counts[i]!) >= share * all) return middles[i]!;
    return middles.at(-1)!;
  };
  const deviation = Math.max(0.05, (at(0.84) - at(0.16)) / 2 / count);
  return Array.from({ length: count }, (_, k) => ({ share: 1 / count, mean: at((k + 0.5) / count), deviation }));
}

/** How much rougher the counts outside the window are than chance: Pearson's statistic over its degrees of freedom. */
function roughness({ groups }: Cells, counts: Float64Array, fit: MixtureFit): number {
  let statistic = 0;
  for (const group of groups.slice(0, -1)) {
    const mean = Math.max(0.5, fit.means[group[0]!]!);
    statistic += (counts[group[0]!]! - mean) ** 2 / mean;
  }
  return statistic / Math.max(1, groups.length - 1 - (3 * fit.components.length - 1));
}

function excessOf(
  { below, above }: Cells,
  counts: Float64Array,
  { means }: MixtureFit,
): { moved: number; share: number } {
  let moved = 0;
  for (const cell of above) moved += counts[cell]! - means[cell]!;
  let within = 0;
  for (const cell of below) within += means[cell]!;
  return { moved, share: moved / Math.max(within, 1e-9) };
}
