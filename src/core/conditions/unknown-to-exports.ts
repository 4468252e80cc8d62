import type { Condition, Policy } from '../policy/types.ts';
import type { Fact, ToldByOrders } from './fact.ts';
import { leaves } from './leaves.ts';
import { factOf } from './registry.ts';

/**
 * Facts that a condition asks about, references followed, and that an export of orders cannot know.
 *
 * @param told how much orders tell
 */
export function unknownToExports(
  condition: Pick<Condition, 'conditions'>,
  policy: Policy,
  told: ReadonlySet<ToldByOrders>,
  seen: ReadonlySet<string> = new Set(),
): Fact[] {
  const found = leaves(condition).flatMap((node): Fact[] => {
    if (node.kind === 'group') return [];
    if (node.kind === 'qualifier') {
      const named = policy.qualifiers[node.qualifier];
      if (!named || seen.has(node.qualifier)) return [];
      return unknownToExports(named.condition, policy, told, new Set([...seen, node.qualifier]));
    }
    const fact = factOf(node);
    return told.has(fact.told) ? [] : [fact];
  });
  return [...new Set(found)];
}

/** Each looked at on its own day, in the zone of the option that was chosen. */
export const ofEachOrder: ReadonlySet<ToldByOrders> = new Set(['always', 'zone', 'day']);
/** All looked at on one day, where they went and with what they weighed. */
export const ofReplayedOrders: ReadonlySet<ToldByOrders> = new Set(['always', 'zone', 'shipment']);
