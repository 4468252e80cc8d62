import { shoppers as demoShoppers } from '../demo/policy/shoppers.ts';
import type { Asked } from './summant.ts';

/** Made-up people who may be signed in. */
export interface Shopper {
  id: string;
  name: string;
  /** what the shop knows of them */
  known: NonNullable<Asked['shopper']>;
}

export const shoppers: readonly Shopper[] = Object.entries(demoShoppers).map(([id, { name, shopper }]) => ({
  id,
  name,
  known: shopper,
}));

export const shopperOf = (id: string): Shopper => shoppers.find((one) => one.id === id) ?? shoppers[0]!;
