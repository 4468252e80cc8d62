import type { CompiledCondition } from '../../conditions/compile-condition.ts';
import type { Facts } from '../../conditions/asked.ts';
import { denied } from '../../conditions/denied.ts';
import { readOut } from '../../conditions/read-out.ts';
import type { Condition, Policy } from '../../policy/types.ts';
import { node, setBy, text, yes, type TraceNode } from '../../trace/trace.ts';

/** A condition with its answer, and those of the conditions it is made of. */
export function traceCondition(condition: CompiledCondition, facts: Facts, policy: Policy): TraceNode {
  const holds = condition.holds(facts);
  if (condition.kind === 'leaf') {
    const said = readOut(policy, { of: 'all', conditions: { it: condition.node } } as Condition, facts.cart.terms.id);
    return node(
      'condition',
      holds ? 'Yes: {said}' : 'No: {said}',
      { said: text(holds ? said : denied(said)) },
      yes(holds),
    );
  }
  const [only] = condition.children;
  if (only && condition.children.length === 1 && condition.of !== 'none' && condition.qualifier === null)
    return traceCondition(only, facts, policy);
  const needs = { all: 'all of this', any: 'at least one of this', none: 'none of this' }[condition.of];
  const { qualifier } = condition;
  const name = qualifier === null ? null : (policy.qualifiers[qualifier]?.name ?? qualifier);
  const says = `${name === null ? 'The condition' : '“{qualifier}”'} ${holds ? 'holds' : 'does not hold'}: ${needs} is needed`;
  return setBy(
    qualifier === null ? undefined : { kind: 'qualifier', id: qualifier },
    node(
      'condition',
      says,
      { of: text(condition.of), qualifier: text(name ?? '') },
      yes(holds),
      condition.children.map((child) => traceCondition(child, facts, policy)),
    ),
  );
}
