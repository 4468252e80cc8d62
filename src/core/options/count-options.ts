import type { DeliveryOption, Policy } from '../policy/types.ts';

/** How many options there are of each zone, calendar or place, in one pass over all of them. */
export function countOptions(
  options: Policy['options'],
  by: (option: DeliveryOption) => string | undefined,
): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const option of Object.values(options)) {
    const key = by(option);
    if (key !== undefined) counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return counts;
}
