import { cartAsText } from '../../../core/test-carts/cart-as-text.ts';
import type { TestCart } from '../../../core/policy/types.ts';

/** Carries the cart over into the demo shop, which shows what is released. */
export function OpenInShop({ shop, cart }: { shop: string; cart: TestCart }) {
  return (
    <a
      className="link link-primary inline-flex min-h-6 items-center"
      href={`${shop}/open?${new URLSearchParams({ cart: cartAsText(cart) }).toString()}`}
      target="_blank"
      rel="noreferrer"
      data-testid="open-in-shop"
    >
      Open in the shop
    </a>
  );
}
