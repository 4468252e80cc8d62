import { inOrder } from '../ordered.ts';
import type { Condition, ConditionNode, Policy } from '../policy/types.ts';
import { Reader } from './reader.ts';
import { factOf } from './registry.ts';

/**
 * A condition as an English clause that says exactly what is computed: “the shopper is signed in and (the destination's
 * zone is “Islands” or …)”. Trees inside trees stand in brackets, so that it can be read in one way only.
 *
 * @param marketId states the amounts of that market only; those of every market when absent
 */
export function readOut(policy: Policy, condition: Condition, marketId?: string): string {
  return treeOut(condition, new Reader(policy, marketId));
}

type Tree = Pick<Condition, 'of' | 'conditions'>;

function treeOut({ of, conditions }: Tree, reader: Reader): string {
  const nodes = inOrder(conditions);
  if (nodes.length === 0) return of === 'any' ? 'never' : 'always';
  const [first] = nodes;
  if (nodes.length === 1 && first && of !== 'none') return nodeOut(first[1], reader);
  const parts = nodes.map(([, node]) =>
    node.kind === 'group' && isCompound(node) ? `(${nodeOut(node, reader)})` : nodeOut(node, reader),
  );
  if (of === 'none') return `none of this holds: ${parts.join('; ')}`;
  return parts.join(of === 'all' ? ' and ' : ' or ');
}

function isCompound({ of, conditions }: Tree): boolean {
  const nodes = Object.values(conditions);
  const [first] = nodes;
  if (of === 'none') return nodes.length > 0;
  return nodes.length > 1 || (first?.kind === 'group' && isCompound(first));
}

function nodeOut(node: ConditionNode, reader: Reader): string {
  if (node.kind === 'group') return treeOut(node, reader);
  if (node.kind === 'qualifier') return `“${reader.policy.qualifiers[node.qualifier]?.name ?? node.qualifier}” holds`;
  return factOf(node).readOut(node, reader);
}
