import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Unplaced } from '../../core/conditions/leaf.ts';
import type { Condition, ConditionNode } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import { freshId, inTurn, renumber, setAt, valueAt } from './set-at.ts';

/** Where a tree or a node of it stands: the steps that lead there from the policy. */
export type PolicyPath = readonly string[];

type Tree = Pick<Condition, 'of' | 'conditions'>;

const childrenAt = (path: PolicyPath) => [...path, 'conditions'];

/** Adds a node at the end of a tree or group. */
export const addNode =
  (tree: PolicyPath, node: Unplaced<ConditionNode>): Edit =>
  (policy) => {
    const conditions = valueAt<Tree>(policy, tree)?.conditions;
    if (!conditions) return [];
    const name = 'fact' in node ? node.fact.split('.')[1]! : node.kind;
    return setAt([...childrenAt(tree), freshId(name, conditions)], { order: orderAfterLast(conditions), ...node })(
      policy,
    );
  };

/** Other values of a node, in place of those it has; its place in the order stays. */
export const setNode = (path: PolicyPath, values: Readonly<Record<string, unknown>>): Edit =>
  inTurn(...Object.entries(values).map(([field, value]) => setAt([...path, field], value)));

/** Takes a node out, with all in it. */
export const removeNode = (path: PolicyPath): Edit => setAt(path, undefined);

/** Moves a node by some places among its siblings. */
export const moveNode = (tree: PolicyPath, id: string, by: number): Edit => renumber(childrenAt(tree), id, by);

/** Puts a node into a group of its own at the same path, where others can join it. */
export const wrapNode =
  (path: PolicyPath, of: Condition['of']): Edit =>
  (policy) => {
    const node = valueAt<ConditionNode>(policy, path);
    return node
      ? setAt(path, {
          order: node.order,
          kind: 'group',
          of,
          conditions: { [path.at(-1)!]: { ...node, order: 1 } },
        } satisfies ConditionNode)(policy)
      : [];
  };

/** Dissolves a group: what is in it takes its place among its siblings. */
export const dissolveGroup =
  (tree: PolicyPath, id: string): Edit =>
  (policy) => {
    const conditions = valueAt<Tree>(policy, tree)?.conditions ?? {};
    const group = conditions[id];
    if (group?.kind !== 'group') return [];
    const { [id]: _, ...rest } = conditions;
    const taken: Record<string, unknown> = { ...rest };
    const moved = inOrder(group.conditions).map(([inner, node]) => {
      const fresh = freshId(inner, taken);
      taken[fresh] = node;
      return [fresh, node] as const;
    });
    const sequence = inOrder(conditions).flatMap(([other, node]) => (other === id ? moved : [[other, node] as const]));
    return setAt(
      childrenAt(tree),
      Object.fromEntries(sequence.map(([other, node], index) => [other, { ...node, order: index + 1 }])),
    )(policy);
  };
