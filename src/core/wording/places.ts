/**
 * Where in the shop a text appears. `maxLength` counts characters as shown with the longest arguments we expect; `room` is
 * what the demo shop gives it on a phone: width in px and lines of its 14 px type, before it pushes other things away.
 */
export const places = {
  strip: { name: 'strip across the page', short: 'strip', maxLength: 120, room: { width: 296, lines: 2 } },
  product: { name: 'product page', short: 'product page', maxLength: 160, room: { width: 280, lines: 3 } },
  miniCart: { name: 'mini-cart', short: 'mini-cart', maxLength: 120, room: { width: 220, lines: 3 } },
  cart: { name: 'cart', short: 'cart', maxLength: 200, room: { width: 280, lines: 4 } },
  checkout: { name: 'checkout', short: 'checkout', maxLength: 200, room: { width: 280, lines: 4 } },
} as const;

export type Place = keyof typeof places;
/** Where a text can be written: in a place, or for every place that has none of its own. */
export type TextPlace = Place | 'everyPlace';
export const placeIds = Object.keys(places) as Place[];
