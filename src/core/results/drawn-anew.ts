import { bcaInterval, type Interval } from '../statistics/bca.ts';
import { seededRandom } from '../statistics/random.ts';

/** So often are samples drawn anew. */
const replications = 2000;

/** Values of the same members before and after, for several figures of them. */
export interface DrawnTogether {
  before: readonly Float64Array[];
  after: readonly Float64Array[];
}

/**
 * 95 % intervals of how averages differ, by samples drawn anew from the members of each window, bias-corrected and accelerated.
 * Figures of the same members are drawn together: a member is drawn with all that is known of it.
 * Source: B. Efron and R. Tibshirani, An Introduction to the Bootstrap (1993), 8.3 (two samples) and 14.3.
 *
 * @returns an interval of after less before for each figure
 */
export function drawnAnew({ before, after }: DrawnTogether): Interval[] {
  const random = seededRandom(1);
  const replicated = before.map(() => new Float64Array(replications));
  for (let time = 0; time < replications; time++) {
    const [was, is] = [averagesOfDrawn(before, random), averagesOfDrawn(after, random)];
    for (let figure = 0; figure < before.length; figure++) replicated[figure]![time] = is[figure]! - was[figure]!;
  }
  return before.map((values, figure) => {
    const difference = averageOf(after[figure]!) - averageOf(values);
    const without = [...leftOut(after[figure]!), ...leftOut(values).map((moved) => -moved)];
    return bcaInterval(difference, Array.from(replicated[figure]!), without);
  });
}

function averagesOfDrawn(figures: readonly Float64Array[], random: () => number): number[] {
  const { length } = figures[0]!;
  const sums = figures.map(() => 0);
  for (let drawn = 0; drawn < length; drawn++) {
    const member = Math.floor(random() * length);
    for (let figure = 0; figure < figures.length; figure++) sums[figure]! += figures[figure]![member]!;
  }
  return sums.map((sum) => sum / length);
}

const averageOf = (values: Float64Array): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** How far the average moves without each member. */
function leftOut(values: Float64Array): number[] {
  const mean = averageOf(values);
  return Array.from(values, (value) => (mean - value) / (values.length - 1));
}
