import type { Policy, TestCart } from '../policy/types.ts';

const format = 'summant-test-carts';
const version = 1;

/** All test carts with what they expect, as a JSON file that can be kept with the policy. docs/test-carts.md describes it. */
export function testCartFile({ testCarts }: Policy): string {
  return `${JSON.stringify({ format, version, testCarts }, null, 2)}\n`;
}

/** Reads such a file. Whether each cart is valid in all its parts is for the policy's own check to say. */
export function readTestCartFile(
  text: string,
): { ok: true; carts: Record<string, TestCart> } | { ok: false; reason: string } {
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch (error) {
    return { ok: false, reason: `It is not JSON: ${error instanceof Error ? error.message : 'it cannot be read'}.` };
  }
  const {
    format: found,
    version: asked,
    testCarts,
  } = (document ?? {}) as { format?: unknown; version?: unknown; testCarts?: unknown };
  if (found !== format) return { ok: false, reason: 'It is not a file of test carts.' };
  if (asked !== version)
    return { ok: false, reason: `It is of version ${String(asked)}; this program reads version ${version}.` };
  if (typeof testCarts !== 'object' || testCarts === null || Array.isArray(testCarts))
    return { ok: false, reason: 'It holds no test carts.' };
  for (const [id, cart] of Object.entries(testCarts as Record<string, unknown>)) {
    const { name, lines, destination } = (cart ?? {}) as Partial<TestCart>;
    if (typeof name !== 'string' || typeof lines !== 'object' || typeof destination !== 'object')
      return { ok: false, reason: `The cart “${id}” has no name, goods or destination.` };
  }
  return { ok: true, carts: testCarts as Record<string, TestCart> };
}
