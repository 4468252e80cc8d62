import { meaningOf } from '../meaning.ts';
import type { Condition, ConditionNode } from '../policy/types.ts';

/**
 * Whether two conditions ask the same: whatever their keys' order, the ids and order of what stands in them, the order of words,
 * and whether one stands in brackets of its own. It does not follow references, and finds no equalities of logic beyond that.
 */
export function sameCondition(a: Condition | undefined, b: Condition | undefined): boolean {
  if (a === b) return true;
  return a !== undefined && b !== undefined && question(a) === question(b);
}

function question({ of, conditions }: Pick<Condition, 'of' | 'conditions'>): string {
  const asked = [...new Set(Object.values(conditions).map(questionOf))].sort();
  // One that stands alone is asked as it is, whether all or any of them have to hold.
  return asked.length === 1 && of !== 'none' ? asked[0]! : meaningOf([of, asked]);
}

/** What a node asks, the same for nodes that ask the same. */
export function questionOf({ order: _, ...node }: ConditionNode): string {
  if (node.kind === 'group') return question(node);
  if (node.kind === 'word') return meaningOf({ ...node, values: sorted(node.values) });
  if (node.kind === 'postcode') return meaningOf({ ...node, patterns: sorted(node.patterns) });
  if (node.kind === 'weekday') return meaningOf({ ...node, days: sorted(node.days) });
  return meaningOf(node);
}

/** Each once, in one order: none stands for more by standing earlier. */
const sorted = <T>(items: readonly T[]): T[] => [...new Set(items)].sort();
