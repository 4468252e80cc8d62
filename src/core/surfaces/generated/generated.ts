import type { Catalogue } from '../../catalogue/product.ts';
import type { Policy } from '../../policy/types.ts';

/** What surfaces are generated from. */
export interface Asked {
  policy: Policy;
  /** ms since 1970-01-01T00:00Z; offers that have ended by then are left out */
  instant: number;
  /** whether goods with a delivery price of their own are sold in a market */
  ownPrices: (marketId: string) => boolean;
  /** of an ISO 3166-2 code */
  regionName: (code: string) => string;
  catalogue: Catalogue;
  /** of the store, for feeds */
  storeAddress: string;
}
