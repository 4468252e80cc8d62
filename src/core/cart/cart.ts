import type { Coordinates } from '../places/distance.ts';
import type { Catalogue, Product } from '../catalogue/product.ts';

export interface CartLine {
  product: Product;
  quantity: number;
}

export interface Cart {
  lines: CartLine[];
}

export interface Destination {
  /** ISO 3166-1 alpha-2 */
  country: string;
  /** ISO 3166-2, when known */
  region?: string;
  postcode: string;
  /** when known */
  coordinates?: Coordinates;
}

export type ResolvedCart = { ok: true; cart: Cart } | { ok: false; unknown: { index: number; product: string }[] };

/** Looks products up; unknown ids are reported by position, never dropped. */
export function resolveCart(lines: readonly { product: string; quantity: number }[], catalogue: Catalogue): ResolvedCart {
  const resolved: CartLine[] = [];
  const unknown: { index: number; product: string }[] = [];
  lines.forEach(({ product: id, quantity }, index) => {
    const product = catalogue.get(id);
    if (product) resolved.push({ product, quantity });
    else unknown.push({ index, product: id });
  });
  return unknown.length > 0 ? { ok: false, unknown } : { ok: true, cart: { lines: resolved } };
}
