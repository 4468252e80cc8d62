import type { Policy } from '../../core/policy/types.ts';
import { reading } from '../database/pool.ts';
import { draftRevision, pastPolicy } from './draft-document.ts';

const texts = new WeakMap<Policy, Uint8Array<ArrayBuffer>>();

/** Where a state of the draft can be fetched for as long as anybody may be looking at it. */
export const policyAddress = ({ revision, stamp }: { revision: number; stamp: string }): string =>
  `/api/draft/policy?revision=${revision}&stamp=${encodeURIComponent(stamp)}`;

/** The policy of a state of the draft as JSON, in UTF-8; written once for each state. Null for one that is not there yet. */
export async function policyText(at: { revision: number; stamp: string }): Promise<Uint8Array<ArrayBuffer> | null> {
  const policy = await reading(async (pool) => {
    const newest = await draftRevision(pool, false);
    return at.revision > (newest?.revision ?? 0) ? null : pastPolicy(pool, at);
  });
  if (!policy) return null;
  let text = texts.get(policy);
  if (!text) texts.set(policy, (text = new TextEncoder().encode(JSON.stringify(policy))));
  return text;
}
