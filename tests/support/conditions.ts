import type { Condition, ConditionNode } from '../../src/core/policy/types.ts';

type Unordered<T> = T extends unknown ? Omit<T, 'order'> : never;
export type Node = Unordered<ConditionNode>;

/** A tree over nodes in the given order. */
export const tree = (of: Condition['of'], ...nodes: Node[]): Condition => ({
  of,
  conditions: Object.fromEntries(
    nodes.map((node, index) => [`c${index + 1}`, { ...node, order: index + 1 } as ConditionNode]),
  ),
});
