import type { Condition, Policy } from '../policy/types.ts';
import type { Fact, ToldByOrders } from './fact.ts';
import { leaves } from './leaves.ts';
import { factOf } from './registry.ts';

/**
 * Facts that a condition asks about, references followed, and that an export of orders cannot know.
 *
 * @param told how much orders tell: of all alike, or each looked at on its own day and by the option that was chosen
 */
export function unknownToExports(
  condition: Pick<Condition, 'conditions'>,
  policy: Policy,
  told: ReadonlySet<ToldByOrders> = ofAll,
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

const ofAll: ReadonlySet<ToldByOrders> = new Set(['always']);
export const ofEachOrder: ReadonlySet<ToldByOrders> = new Set(['always', 'ofEach']);
