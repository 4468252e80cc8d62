import type { Catalogue, Product } from '../catalogue/product.ts';
import type { CartDiscount } from '../policy/types.ts';

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

type ResolvedLines = { ok: true; lines: CartLine[] } | { ok: false; unknown: { index: number; product: string }[] };

/** Looks products up; unknown ids are reported by position, never dropped. */
export function resolveLines(
  lines: readonly { product: string; quantity: number }[],
  catalogue: Catalogue,
): ResolvedLines {
  const resolved: CartLine[] = [];
  const unknown: { index: number; product: string }[] = [];
  lines.forEach(({ product: id, quantity }, index) => {
    const product = catalogue.get(id);
    if (product) resolved.push({ product, quantity });
    else unknown.push({ index, product: id });
  });
  return unknown.length > 0 ? { ok: false, unknown } : { ok: true, lines: resolved };
}
