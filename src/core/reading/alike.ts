import { readOptions } from './read-options.ts';
import { penaltyFor } from './read-rule.ts';
import { someOf, type ReadableOrders } from './readable-orders.ts';

/** Orders of parts that have the same rules. */
interface Alike<K> {
  keys: K[];
  places: Uint32Array;
}

/** As many orders of a part tell whether it is like another. */
const enough = 6000;

/**
 * Parts that are alike, put together: those whose orders are explained as well when they are read together as when each is read by itself.
 *
 * @param parts that with most orders first
 */
export function alikeParts<K>(orders: ReadableOrders, parts: readonly [K, Uint32Array][]): Alike<K>[] {
  const groups: (Alike<K> & { sample: Uint32Array; own: number })[] = [];
  for (const [key, places] of parts) {
    const sample = someOf(places, enough);
    const alone = readOptions(orders, sample);
    const allowed = penaltyFor(sample.length) * Math.max(1, alone.options.length);
    const fitting = groups.find((group) => {
      if (!deliveredAlike(orders, group.sample, sample)) return false;
      const together = readOptions(orders, joined(group.sample, sample));
      return group.own + alone.explained - together.explained <= allowed;
    });
    if (!fitting) groups.push({ keys: [key], places, sample, own: alone.explained });
    else {
      fitting.keys.push(key);
      fitting.places = joined(fitting.places, places);
      fitting.sample = someOf(joined(fitting.sample, sample), 2 * enough);
      fitting.own = readOptions(orders, fitting.sample).explained;
    }
  }
  return groups.map(({ keys, places }) => ({ keys, places }));
}

/** Whether most orders of a part came by options that another has too. */
function deliveredAlike({ columns: { option } }: ReadableOrders, group: Uint32Array, part: Uint32Array): boolean {
  const known = new Set(Array.from(group, (place) => option[place]!));
  return part.filter((place) => known.has(option[place]!)).length * 2 > part.length;
}

function joined(one: Uint32Array, other: Uint32Array): Uint32Array {
  const both = new Uint32Array(one.length + other.length);
  both.set(one);
  both.set(other, one.length);
  return both.sort();
}
