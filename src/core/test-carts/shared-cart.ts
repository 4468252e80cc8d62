import type { TestCart } from '../policy/types.ts';

const longest = 6000;

/** A cart as a part of an address: base64url of its JSON in UTF-8. */
export function cartAsText(cart: TestCart): string {
  const bytes = new TextEncoder().encode(JSON.stringify(cart));
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');
}

/** The cart of such a part; null when it is none. Its parts are checked by the policy's own check when it is kept. */
export function cartFromText(text: string): TestCart | null {
  if (text.length > longest || !/^[\w-]+$/.test(text)) return null;
  try {
    const bytes = Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (character) =>
      character.charCodeAt(0),
    );
    const cart = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)) as Partial<TestCart>;
    const { name, language, destination, lines } = cart;
    const whole =
      typeof name === 'string' &&
      typeof language === 'string' &&
      typeof destination?.country === 'string' &&
      typeof destination.postcode === 'string' &&
      typeof lines === 'object' &&
      lines !== null &&
      Object.values(lines).every((line) => Number.isInteger(line?.quantity) && line.quantity > 0);
    return whole ? (cart as TestCart) : null;
  } catch {
    return null;
  }
}
