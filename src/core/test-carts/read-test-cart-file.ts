import type { TestCart } from '../policy/types.ts';
import { checkTestCarts } from './check-test-carts.ts';
import { format, version } from './test-cart-file.ts';

/** Reads a file of test carts. What it refers to is for the policy's own check to say. */
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
  return checkTestCarts(testCarts);
}
