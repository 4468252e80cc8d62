import type { Product } from '../catalogue/product.ts';

/** Ordinary: counts toward goals, has the standard tax rate, needs delivery and is charged in the ordinary way. */
export const ordinaryArticle: Product = {
  id: '',
  sku: '',
  name: 'an ordinary article',
  prices: {},
  taxClass: 'standard',
  weightGrams: 0,
  sizeMm: null,
  categories: [],
  tags: [],
  needsDelivery: true,
  countsTowardGoals: true,
  shipsFree: false,
  ownDelivery: null,
  preparationDays: 0,
  notTo: [],
};
