/** Where in the shop a text appears. `maxLength` counts characters as shown with the longest arguments we expect. */
export const places = {
  strip: { name: 'strip across the page', maxLength: 120 },
  product: { name: 'product page', maxLength: 160 },
  miniCart: { name: 'mini-cart', maxLength: 120 },
  cart: { name: 'cart', maxLength: 200 },
  checkout: { name: 'checkout', maxLength: 200 },
} as const;

export type Place = keyof typeof places;
/** Where a text can be written: in a place, or for every place that has none of its own. */
export type TextPlace = Place | 'everyPlace';
export const placeIds = Object.keys(places) as Place[];
