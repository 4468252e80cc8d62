import type { Product } from '../catalogue/product.ts';
import { same } from '../same.ts';
import type { CartLine } from './cart.ts';

/**
 * Lines of the same product with the same facts as one line, where the first of them stood: conditions and roundings look at
 * what is bought, however the shop has put it down (2-domain §2).
 */
export function mergeLines(lines: readonly CartLine[]): readonly CartLine[] {
  if (lines.every(({ product }, index) => lines.findIndex((other) => other.product.id === product.id) === index))
    return lines;
  const merged: CartLine[] = [];
  for (const line of lines) {
    const known = merged.findIndex(({ product }) => isSame(product, line.product));
    if (known < 0) merged.push(line);
    else merged[known] = { ...merged[known]!, quantity: merged[known]!.quantity + line.quantity };
  }
  return merged;
}

const isSame = (a: Product, b: Product): boolean => a.id === b.id && same(a, b);
