import type { MarketTerms, TaxRates } from '../markets/terms.ts';
import { includedTax, percentOf } from '../money/rounding.ts';
import type { Product } from '../catalogue/product.ts';
import type { Basis } from '../policy/types.ts';

/** How a goods value is taken in a market: the four bases, with “as shown” settled by the market's habit. */
export interface CompiledBasis {
  afterDiscounts: boolean;
  /** the value with tax where the market shows it without, or the other way round */
  convertsTax: boolean;
}

/** After discounts, as shown. */
export const shownBasis: CompiledBasis = { afterDiscounts: true, convertsTax: false };

export function compileBasis(basis: Basis, terms: MarketTerms): CompiledBasis {
  const tax = basis.endsWith('AsShown') ? terms.shownWithTax : basis.endsWith('WithTax');
  return { afterDiscounts: basis.startsWith('after'), convertsTax: tax !== terms.shownWithTax };
}

/** The value that a shown value comes to in the other tax habit, rounded once. Minor units. */
export function convertTax(shown: number, product: Product, terms: MarketTerms, rates: TaxRates): number {
  const rate = rates.classes.get(product.taxClass) ?? rates.standard;
  return terms.shownWithTax ? shown - includedTax(shown, rate) : shown + percentOf(shown, rate);
}
