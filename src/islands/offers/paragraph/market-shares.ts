import type { Distribution } from '../../../core/orders/distribution.ts';

/** An offer's goals in one market, and the share of its orders that lies below each; null until they are read. */
export interface MarketShares {
  id: string;
  name: string;
  currency: string;
  distribution: Distribution | undefined;
  goals: { goalId: string; minor: number; share: number | null }[];
}

/** px of the picture of so many markets */
export const sharesHeight = (markets: number): number => 34 + markets * 22;
