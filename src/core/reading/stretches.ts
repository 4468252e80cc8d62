/** Days that belong together: from one on, and up to the next. */
export interface Stretch {
  from: number;
  to: number;
}

/** What parts of time cost: the cost of any stretch, from one step of time up to another. */
export type CostOf = (from: number, to: number) => number;

/**
 * Where something changed in time: the parts whose costs, and a penalty for each change, come to the least. Exactly, and without
 * looking at starts that can never be best any more.
 * Source: R. Killick, P. Fearnhead and I. Eckley, Optimal detection of changepoints with a linear computational cost (PELT),
 * Journal of the American Statistical Association 107 (2012); the recursion is that of Jackson et al. (2005).
 *
 * @param length steps of time @param cost of a part; that of a whole is at least that of its parts together
 * @returns steps at which a part begins, without 0
 */
export function changesInTime(length: number, cost: CostOf, penalty: number): number[] {
  const least = new Float64Array(length + 1);
  least[0] = -penalty;
  const came = new Uint32Array(length + 1);
  let starts = [0];
  for (let to = 1; to <= length; to++) {
    let [best, from] = [Infinity, 0];
    const costs = starts.map((start) => least[start]! + cost(start, to));
    for (const [i, start] of starts.entries()) {
      if (costs[i]! + penalty < best) [best, from] = [costs[i]! + penalty, start];
    }
    least[to] = best;
    came[to] = from;
    starts = [...starts.filter((_, i) => costs[i]! <= best), to];
  }
  const changes: number[] = [];
  for (let at = came[length]!; at > 0; at = came[at]!) changes.unshift(at);
  return changes;
}
