import { orderOfValue } from '../../cart/hypothetical-order.ts';
import type { CompiledZone } from '../../evaluation/compile.ts';
import { axisReach } from '../../sweep/axis.ts';
import { policyEdges } from '../../sweep/edges.ts';
import { mayRise } from '../../sweep/sweep.ts';

/**
 * The lowest weight (grams) that is priced as another is, in all of some zones: the last amount at which one of them changes
 * what holds. Where a price rises evenly with weight, each weight is priced by itself.
 */
export function weightClasses(zones: readonly CompiledZone[]): (grams: number) => number {
  if (zones.some((zone) => mayRise(zone, 'weight'))) return (grams) => grams;
  const order = orderOfValue(0);
  const edges = [
    ...new Set(zones.flatMap((zone) => policyEdges({ zone, axis: 'weight', order, region: undefined }))),
  ].sort((a, b) => a - b);
  // Beyond the axis nobody has looked for edges.
  return (grams) => (grams >= axisReach.weight ? grams : (edges.findLast((edge) => edge <= grams) ?? 0));
}
