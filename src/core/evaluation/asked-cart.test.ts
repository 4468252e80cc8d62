import { expect, test } from 'vitest';
import type { CartLine } from '../cart/cart.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import { inputOfAsked, type AskedCart } from './asked-cart.ts';

/** All that can be asked of a cart: its type demands each part. */
const whole: Required<AskedCart> = {
  lines: [],
  codes: ['SUN'],
  discounts: [],
  channel: 'web',
  shopper: { signedIn: true },
  destination: { country: 'NL', postcode: '1017' },
  market: 'nlbe',
  quotes: { post: 450 },
  redemptions: { offer: { inAll: 1 } },
  earlier: { option: 'door', price: 595 },
};
const lines: CartLine[] = [{ product: { ...ordinaryArticle, prices: { nlbe: 100 } }, quantity: 1 }];

test('whatever a shop may ask of a cart is handed on', () => {
  const input = inputOfAsked(whole, lines, 1);
  const { lines: _, ...asked } = whole;
  const { cart, instant, ...rest } = input;
  expect({ ...cart, ...rest }).toEqual({ ...asked, lines });
  expect(instant).toBe(1);
});

test('of redemptions those that count go before those that the shop says', () => {
  const counted = { offer: { inAll: 7 } };
  expect(inputOfAsked(whole, lines, 1, counted).redemptions).toBe(counted);
  const { redemptions: _, ...unsaid } = whole;
  expect(inputOfAsked(unsaid, lines, 1)).not.toHaveProperty('redemptions');
});
