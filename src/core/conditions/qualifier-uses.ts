import { inOrder } from '../ordered.ts';
import type { Condition, Policy } from '../policy/types.ts';
import { conditionsOfOption, leaves, referredIn } from './leaves.ts';

/** Where a qualifier is referred to. */
export interface QualifierUse {
  kind: 'offer' | 'notice' | 'option' | 'qualifier' | 'guarantee';
  id: string;
  name: string;
}

/** Uses of every qualifier, each place once. */
export function qualifierUses(
  policy: Pick<Policy, 'qualifiers' | 'offers' | 'notices' | 'options' | 'guarantees'>,
): ReadonlyMap<string, QualifierUse[]> {
  const uses = new Map<string, QualifierUse[]>();
  const note = (use: QualifierUse, ...conditions: (Pick<Condition, 'conditions'> | undefined)[]) => {
    const named = new Set(conditions.flatMap(referredIn));
    for (const id of named) uses.set(id, [...(uses.get(id) ?? []), use]);
  };
  for (const [id, { name, when }] of inOrder(policy.offers)) note({ kind: 'offer', id, name }, when);
  for (const [id, { name, when }] of inOrder(policy.notices ?? {})) note({ kind: 'notice', id, name }, when);
  for (const [id, option] of inOrder(policy.options))
    note({ kind: 'option', id, name: option.name }, ...conditionsOfOption(option));
  for (const [id, { name, condition }] of inOrder(policy.qualifiers)) note({ kind: 'qualifier', id, name }, condition);
  for (const [id, { name, when }] of inOrder(policy.guarantees ?? {})) note({ kind: 'guarantee', id, name }, when);
  return uses;
}

/** Ids of the markets a condition states amounts for. */
export function statedMarkets(condition: Pick<Condition, 'conditions'>): Set<string> {
  const found = new Set<string>();
  const add = (table: Readonly<Record<string, unknown>> | undefined) =>
    Object.keys(table ?? {}).forEach((id) => found.add(id));
  for (const node of leaves(condition)) {
    if ('amounts' in node) add(node.amounts);
    if ('goods' in node) {
      add(node.goods.unitPriceFrom);
      add(node.goods.unitPriceBelow);
    }
  }
  return found;
}
