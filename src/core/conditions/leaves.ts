import type { Condition, ConditionNode, DeliveryOption, Policy, Qualifier } from '../policy/types.ts';

type Tree = Pick<Condition, 'conditions'>;

/** The conditions of an option: of itself and of the lines of its charge. */
export const conditionsOfOption = ({ when, charge }: Pick<DeliveryOption, 'when' | 'charge'>): Condition[] =>
  [when, ...Object.values(charge.lines).map((line) => line.when)].filter((condition) => condition !== undefined);

/** The leaves and references of a tree. */
export function leaves({ conditions }: Tree): ConditionNode[] {
  return Object.values(conditions).flatMap((node) => (node.kind === 'group' ? leaves(node) : [node]));
}

const referredKnown = new WeakMap<Tree['conditions'], readonly string[]>();
const nothing: readonly string[] = [];

/** Ids of the qualifiers that a tree refers to itself, each once. */
export function referredIn(tree: Tree | undefined): readonly string[] {
  if (!tree) return nothing;
  let referred = referredKnown.get(tree.conditions);
  if (!referred) {
    referred = [...new Set(leaves(tree).flatMap((node) => (node.kind === 'qualifier' ? [node.qualifier] : [])))];
    referredKnown.set(tree.conditions, referred);
  }
  return referred;
}

/** Qualifiers by their ids. */
export type Qualifiers = Readonly<Record<string, Qualifier>>;

/** All that trees rest on beside themselves: the qualifiers they refer to, and those that these refer to. */
export function restingOn(trees: readonly (Tree | undefined)[], qualifiers: Qualifiers): Qualifiers {
  const found: Record<string, Qualifier> = {};
  const visit = (tree: Tree | undefined) => {
    for (const id of referredIn(tree)) {
      const qualifier = qualifiers[id];
      if (!qualifier || Object.hasOwn(found, id)) continue;
      found[id] = qualifier;
      visit(qualifier.condition);
    }
  };
  for (const tree of trees) visit(tree);
  return found;
}

/** Every condition that a policy holds, wherever it stands. */
export function conditionsIn(policy: Policy): Pick<Condition, 'conditions'>[] {
  return [
    ...Object.values(policy.qualifiers).map(({ condition }) => condition),
    ...Object.values(policy.options).flatMap(conditionsOfOption),
    ...Object.values(policy.offers).map(({ when }) => when),
    ...Object.values(policy.notices ?? {}).map(({ when }) => when),
    ...Object.values(policy.guarantees ?? {}).map(({ when }) => when),
  ].filter((condition) => condition !== undefined);
}
