import type { Condition, Policy } from '../policy/types.ts';
import { factOf, type FactEntry } from './fact-list.ts';
import { leaves } from './known-words.ts';

/** Facts that past orders tell: the goods value, and whether someone had ordered before. */
const told: ReadonlySet<string> = new Set(['cart.goodsValue', 'cart.countedValue', 'shopper.firstOrder', 'destination.market', 'cart.currency']);

/** Facts that a condition asks about, references followed, and that an export of orders cannot know. */
export function unknownToExports(condition: Pick<Condition, 'conditions'>, policy: Policy, seen: ReadonlySet<string> = new Set()): FactEntry[] {
  const found = leaves(condition).flatMap((node): FactEntry[] => {
    if (node.kind === 'group') return [];
    if (node.kind === 'qualifier') {
      const named = policy.qualifiers[node.qualifier];
      return named && !seen.has(node.qualifier) ? unknownToExports(named.condition, policy, new Set([...seen, node.qualifier])) : [];
    }
    const fact = factOf(node);
    return told.has(fact.id) ? [] : [fact];
  });
  return [...new Set(found)];
}
