import { iso31662 } from 'iso-3166';
import type { Catalogue } from '../../core/catalogue/product.ts';
import { ownDeliveryIn } from '../../core/catalogue/product-amount.ts';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { Asked } from '../../core/surfaces/generated/generated.ts';

let names: Map<string, string> | null = null;

/** The name of a region by ISO 3166-2; its code where there is none. Source: the npm package `iso-3166`. */
function regionName(code: string): string {
  names ??= new Map(iso31662.map((region) => [region.code, region.name]));
  return names.get(code) ?? code;
}

/** What surfaces are generated from. @param instant ms since 1970-01-01T00:00Z */
export function askedOf(policy: Policy, catalogue: Catalogue, instant: number): Asked {
  const { markets } = compilePolicy(policy);
  return {
    policy,
    instant,
    catalogue,
    regionName,
    storeAddress: process.env.SUMMANT_STORE_ADDRESS ?? 'https://shop.example.com/',
    ownPrices: (marketId) => {
      const terms = markets.get(marketId)?.terms;
      if (!terms) return false;
      for (const product of catalogue.values()) if (ownDeliveryIn(product, terms) !== undefined) return true;
      return false;
    },
  };
}
