import type { MarketTerms } from '../markets/terms.ts';
import { inOrder } from '../ordered.ts';
import type { Condition, ConditionNode } from '../policy/types.ts';
import type { Facts } from './asked.ts';
import type { Leaf } from './leaf.ts';
import type { Qualifiers } from './leaves.ts';
import { factOf } from './registry.ts';

/** A condition ready to be asked, in a market. */
export type CompiledCondition =
  | {
      kind: 'tree';
      of: Condition['of'];
      children: CompiledCondition[];
      holds: (facts: Facts) => boolean;
      /** id of the qualifier it is */ qualifier: string | null;
    }
  | { kind: 'leaf'; leaf: Leaf; node: ConditionNode; holds: (facts: Facts) => boolean };

/**
 * Prepares a condition. A leaf whose fact is missing is false; a tree of `none` over it is then true (2-domain §5).
 *
 * @param qualifiers free of cycles, which `checkPolicy` sees to
 */
export function compileCondition(
  condition: Condition,
  qualifiers: Qualifiers,
  terms: MarketTerms,
  qualifier: string | null = null,
): CompiledCondition {
  const children = inOrder(condition.conditions).map(([, node]) => compileNode(node, qualifiers, terms));
  const { of } = condition;
  return { kind: 'tree', of, children, holds: treeTest(of, children), qualifier };
}

function compileNode(node: ConditionNode, qualifiers: Qualifiers, terms: MarketTerms): CompiledCondition {
  if (node.kind === 'group') return compileCondition(node, qualifiers, terms);
  if (node.kind === 'qualifier') {
    return compileCondition(qualifiers[node.qualifier]!.condition, qualifiers, terms, node.qualifier);
  }
  const leaf = factOf(node).compile(node, terms);
  return { kind: 'leaf', leaf, node, holds: leaf.holds };
}

function treeTest(of: Condition['of'], children: CompiledCondition[]): (facts: Facts) => boolean {
  if (of === 'all' && children.length === 1) return children[0]!.holds;
  if (of === 'any') {
    return (facts) => {
      for (const child of children) if (child.holds(facts)) return true;
      return false;
    };
  }
  const wanted = of === 'all';
  return (facts) => {
    for (const child of children) if (child.holds(facts) !== wanted) return false;
    return true;
  };
}

const leavesKnown = new WeakMap<CompiledCondition, readonly Leaf[]>();

/** All leaves of a condition, references followed. */
export function leavesOf(condition: CompiledCondition): readonly Leaf[] {
  let leaves = leavesKnown.get(condition);
  if (!leaves) {
    leaves = condition.kind === 'leaf' ? [condition.leaf] : condition.children.flatMap(leavesOf);
    leavesKnown.set(condition, leaves);
  }
  return leaves;
}

/** Whether a condition looks at measures of the cart, so that adding goods may change its answer. */
export const looksAtCart = (condition: CompiledCondition): boolean =>
  leavesOf(condition).some(({ looksAt }) => looksAt.length > 0);
