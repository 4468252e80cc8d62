import type { TestCart } from '../policy/types.ts';
import { checkTestCarts } from './check-test-carts.ts';

const longest = 6000;

/** The cart of a part of an address that `cartAsText` has made; null when it is none, or not one that a policy could hold. */
export function cartFromText(text: string): TestCart | null {
  if (text.length > longest || !/^[\w-]+$/.test(text)) return null;
  try {
    const bytes = Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (character) =>
      character.charCodeAt(0),
    );
    const shared: unknown = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
    const check = checkTestCarts({ shared });
    return check.ok ? check.carts.shared! : null;
  } catch {
    return null;
  }
}
