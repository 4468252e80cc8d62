import type { CompiledBasis } from '../cart/basis.ts';
import type { CountMeasure } from '../cart/charge-measure.ts';
import type { CompiledSelection } from '../catalogue/goods-selection.ts';
import type { ConditionNode } from '../policy/types.ts';
import type { Facts } from './asked.ts';
import type { ComparedRange } from './compare.ts';

export type LeafNode = Exclude<ConditionNode, { kind: 'group' } | { kind: 'qualifier' }>;
export type LeafOf<Kind extends LeafNode['kind']> = Extract<LeafNode, { kind: Kind }>;

/** A node that has no position in an order yet. */
export type Unplaced<Node> = Node extends unknown ? Omit<Node, 'order'> : never;

/** A leaf ready to be asked, and at which amounts of a measure its answer may change. */
export interface Leaf {
  holds: (facts: Facts) => boolean;
  /** none: does not look at a measure of the cart */
  looksAt: MeasureEdges[];
}

export interface MeasureEdges {
  measure: LeafMeasure;
  edges: number[];
}

/** What of an order a leaf looks at: a goods value in a basis, or a count. */
export type LeafMeasure = { kind: 'value'; basis: CompiledBasis } | { kind: 'unitPrice' } | { kind: CountMeasure };

/** A leaf that looks at no measure of the cart. */
export const plainLeaf = (holds: Leaf['holds']): Leaf => ({ holds, looksAt: [] });

/** Where the answer of a range may change, ascending: the first amount in it and the first after it. */
export const edgesOf = ({ atLeast, atMost }: ComparedRange): number[] => [atLeast, atMost + 1].filter(Number.isFinite);

/** Prices of a piece at which a selection begins and ceases to hold. */
export function priceEdges({ priceFrom, priceBelow }: CompiledSelection): MeasureEdges {
  return { measure: { kind: 'unitPrice' }, edges: [priceFrom, priceBelow].filter(Number.isFinite) };
}
