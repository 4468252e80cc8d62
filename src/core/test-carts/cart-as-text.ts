import type { TestCart } from '../policy/types.ts';

/** A cart as a part of an address: base64url of its JSON in UTF-8. */
export function cartAsText(cart: TestCart): string {
  const bytes = new TextEncoder().encode(JSON.stringify(cart));
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');
}
