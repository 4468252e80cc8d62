import type { MarketTerms } from '../markets/terms.ts';
import type { Condition, ConditionNode } from '../policy/types.ts';
import { regionOf, type Box, type Region, type Tree } from '../regions/region.ts';
import type { Values } from '../regions/values.ts';
import { neverAbove, yesNo, yesOrNo } from './asks.ts';
import type { LeafNode } from './leaf.ts';
import type { Qualifiers } from './leaves.ts';
import { factOf } from './registry.ts';
import { questionOf } from './same-condition.ts';

/** A condition as a tree over the values of facts, references followed. @param qualifiers free of cycles */
export function treeOf(
  condition: Pick<Condition, 'of' | 'conditions'>,
  qualifiers: Qualifiers,
  terms: MarketTerms,
): Tree {
  const children = Object.values(condition.conditions).map((node) => treeOfNode(node, qualifiers, terms));
  return { of: condition.of, children };
}

function treeOfNode(node: ConditionNode, qualifiers: Qualifiers, terms: MarketTerms): Tree {
  if (node.kind === 'group') return treeOf(node, qualifiers, terms);
  if (node.kind === 'qualifier') return treeOf(qualifiers[node.qualifier]!.condition, qualifiers, terms);
  return factOf(node).asks?.(node, terms) ?? opaque(node);
}

/** Of which nothing is known but that it holds or does not, whatever else does. */
const opaque = (node: LeafNode): Tree => ({ fact: `whether ${questionOf(node)}`, values: yesNo(true), among: yesOrNo });

/** Where a tree holds, without what no cart can be. @returns null: not examined, because it comes to too many boxes */
export function possibleRegion(tree: Tree): Region | null {
  const region = regionOf(tree);
  return region && possible(region);
}

/** A region without what no cart can be: a value after discounts above that before, more lines than items. */
export const possible = (region: Region): Region => region.filter(isPossible);

function isPossible(box: Box): boolean {
  const facts = [...box].flatMap(([fact, values]) => {
    const reach = reachOf(values);
    return reach ? [{ fact, ...reach }] : [];
  });
  return facts.every((one) => facts.every((other) => one.least <= other.most || !neverAbove(one.fact, other.fact)));
}

/** The least and the most of numbers; null for words, and where not being known is among them. */
function reachOf(values: Values): { least: number; most: number } | null {
  if (values.kind !== 'numbers' || values.unknown) return null;
  return { least: values.spans[0]!.from, most: values.spans.at(-1)!.to - 1 };
}
