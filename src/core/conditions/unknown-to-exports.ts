import type { Condition, Policy } from '../policy/types.ts';
import { factOf, type FactEntry } from './fact-list.ts';
import { leaves } from './leaves.ts';

/** Facts that past orders tell: the goods value, and whether someone had ordered before. */
const told: ReadonlySet<string> = new Set([
  'cart.goodsValue',
  'cart.countedValue',
  'shopper.firstOrder',
  'destination.market',
  'cart.currency',
]);

/** What is told besides where each order is looked at on its own day and by the option that was chosen. */
export const toldOfEach: ReadonlySet<string> = new Set(['weekday', 'instant', 'destination.zone']);

/**
 * Facts that a condition asks about, references followed, and that an export of orders cannot know.
 *
 * @param also facts that are known besides
 */
export function unknownToExports(
  condition: Pick<Condition, 'conditions'>,
  policy: Policy,
  also: ReadonlySet<string> = new Set(),
  seen: ReadonlySet<string> = new Set(),
): FactEntry[] {
  const found = leaves(condition).flatMap((node): FactEntry[] => {
    if (node.kind === 'group') return [];
    if (node.kind === 'qualifier') {
      const named = policy.qualifiers[node.qualifier];
      return named && !seen.has(node.qualifier)
        ? unknownToExports(named.condition, policy, also, new Set([...seen, node.qualifier]))
        : [];
    }
    const fact = factOf(node);
    return told.has(fact.id) || also.has(fact.id) ? [] : [fact];
  });
  return [...new Set(found)];
}
