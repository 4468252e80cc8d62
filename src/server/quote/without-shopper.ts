import type { AskedCart } from '../../core/evaluation/asked-cart.ts';

/** What was asked without by whom: it is kept, and nothing in it may tell who it was. */
export function withoutShopper({ shopper, ...asked }: AskedCart): AskedCart {
  if (!shopper) return asked;
  const { individual: _, ...traits } = shopper;
  return { ...asked, shopper: traits };
}
