import { deepest, faultOf } from '../checks/schema-fault.ts';
import type { TestCart } from '../policy/types.ts';
import validate from './valid-test-carts.generated.js';

/** Test carts by id as they have come from outside, or what is wrong with them in words that name the cart and its part. */
export function checkTestCarts(
  document: unknown,
): { ok: true; carts: Record<string, TestCart> } | { ok: false; reason: string } {
  if (validate(document)) return { ok: true, carts: document };
  const [fault] = deepest(validate.errors ?? []).map(faultOf);
  const [id, ...part] = (fault?.pointer ?? '').split('/').slice(1);
  const where =
    id === undefined ? 'The list of carts' : `${part.length > 0 ? `“${part.join(' / ')}” of the` : 'The'} cart “${id}”`;
  return { ok: false, reason: `${where} ${fault?.message ?? 'is not valid'}.` };
}
