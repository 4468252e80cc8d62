import { inOrder } from '../ordered.ts';
import type { Charge } from '../policy/types.ts';

/** The carriers that a charge asks for quotes, each once. */
export function carriersOf(charge: Charge): string[] {
  return [...new Set(inOrder(charge.lines).flatMap(([, { price }]) => ('carrier' in price ? [price.carrier] : [])))];
}
