import type { Catalogue, Product } from '../catalogue/product.ts';
import type { CartDiscount } from '../policy/types.ts';
import { withOwnFacts, type OwnFacts } from './own-facts.ts';

export interface CartLine {
  product: Product;
  quantity: number;
}

export interface Cart {
  lines: readonly CartLine[];
  /** codes the shopper has entered; compared in upper case */
  codes?: readonly string[];
  /** discounts on goods that the shop grants, in the order in which they apply */
  discounts?: readonly CartDiscount[];
  /** where the cart is: "web" when absent */
  channel?: string;
}

/** A line as a shop puts it down. */
export interface AskedLine {
  /** an id of the catalogue, else an SKU, else the shop’s own name for what the catalogue does not have */
  product: string;
  quantity: number;
  facts?: OwnFacts;
}

/** A line whose product there is not, by its place. */
export interface UnknownLine {
  index: number;
  product: string;
  /** whether it brings facts of its own, but no price */
  withFacts: boolean;
}

type ResolvedLines = { ok: true; lines: CartLine[] } | { ok: false; unknown: UnknownLine[] };

/**
 * Looks products up; unknown ones that bring no price along are reported by position, never dropped.
 *
 * @param market id of the market that amounts brought along are of; null: none sells there
 */
export function resolveLines(lines: readonly AskedLine[], catalogue: Catalogue, market: string | null): ResolvedLines {
  const resolved: CartLine[] = [];
  const unknown: UnknownLine[] = [];
  lines.forEach(({ product: name, quantity, facts }, index) => {
    const known = catalogue.get(name);
    if (known && !facts) resolved.push({ product: known, quantity });
    else if (facts && (known || facts.unitPrice !== undefined))
      resolved.push({ product: withOwnFacts(name, known, facts, market), quantity });
    else unknown.push({ index, product: name, withFacts: facts !== undefined });
  });
  return unknown.length > 0 ? { ok: false, unknown } : { ok: true, lines: resolved };
}
