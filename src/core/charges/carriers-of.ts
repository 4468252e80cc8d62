import { inOrder } from '../ordered.ts';
import type { Charge } from '../policy/types.ts';
import { priceKindOf } from './prices/registry.ts';

/** The carriers that a charge asks for quotes, each once. */
export function carriersOf(charge: Charge): string[] {
  return [...new Set(inOrder(charge.lines).flatMap(([, { price }]) => priceKindOf(price).carrierOf(price) ?? []))];
}
