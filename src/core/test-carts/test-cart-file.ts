import type { Policy } from '../policy/types.ts';

export const format = 'summant-test-carts';
export const version = 1;

/** All test carts with what they expect, as a JSON file that can be kept with the policy. docs/test-carts.md describes it. */
export function testCartFile({ testCarts }: Policy): string {
  return `${JSON.stringify({ format, version, testCarts }, null, 2)}\n`;
}
