import type { Shopper } from '../policy/types.ts';
import { shopperNew, shopperReturning } from './columns.ts';

/** Who bought a past order: an export tells at most whether they had ordered before. @returns undefined: it does not tell even that */
export function shopperOfOrder(returning: boolean | null): Shopper | undefined {
  return returning === null ? undefined : { signedIn: false, orderCount: Number(returning) };
}

/** The same for what columns hold: 0 not known, 1 new, 2 returning. */
export function shopperOfKind(kind: number): Shopper | undefined {
  if (kind !== shopperNew && kind !== shopperReturning) return undefined;
  return shopperOfOrder(kind === shopperReturning);
}
