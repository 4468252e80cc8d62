import { inOrder } from '../../ordered.ts';
import { factOf } from '../../conditions/registry.ts';
import { referredIn } from '../../conditions/leaves.ts';
import type { Fault } from '../../policy/fault.ts';
import type { Condition, ConditionNode, Policy } from '../../policy/types.ts';

/** Nesting beyond this is refused: nobody could read it. */
const maxDepth = 8;

/** Qualifiers, markets and zones it names exist, ranges run upward, and operators have the values they ask for. */
export function checkCondition(
  condition: Pick<Condition, 'conditions'>,
  policy: Policy,
  at: string,
  fault: Fault,
  depth = 1,
): void {
  if (depth > maxDepth) return fault(at, `is nested more than ${maxDepth} levels deep`);
  for (const [id, node] of Object.entries(condition.conditions)) {
    const here = `${at}/conditions/${id}`;
    if (node.kind === 'group') checkCondition(node, policy, here, fault, depth + 1);
    else checkLeaf(node, policy, here, fault);
  }
}

function checkLeaf(node: Exclude<ConditionNode, { kind: 'group' }>, policy: Policy, at: string, fault: Fault): void {
  if (node.kind !== 'qualifier') {
    const { form, words } = factOf(node);
    return form.check(node, policy, at, fault, words);
  }
  if (!policy.qualifiers[node.qualifier]) fault(`${at}/qualifier`, `there is no qualifier "${node.qualifier}"`);
}

/** Qualifiers that lead back to themselves, with the names on the way. */
export function qualifierCycles(policy: Policy): { id: string; through: string[] }[] {
  const wayBack = (id: string, start: string, seen: ReadonlySet<string>): string[] | null => {
    for (const next of referredIn(policy.qualifiers[id]?.condition)) {
      if (next === start) return [id];
      if (seen.has(next)) continue;
      const way = wayBack(next, start, new Set([...seen, next]));
      if (way) return [id, ...way];
    }
    return null;
  };
  return inOrder(policy.qualifiers).flatMap(([id]) => {
    const way = wayBack(id, id, new Set([id]));
    return way ? [{ id, through: way.map((step) => policy.qualifiers[step]?.name ?? step) }] : [];
  });
}
