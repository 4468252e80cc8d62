import type { Operation } from 'rfc6902';
import type { Policy } from '../../core/policy/types.ts';

/**
 * An edit of the draft: given the policy it falls on, the JSON Patch that touches as little as it can. It is a
 * function because what has to be patched depends on what is there by then.
 */
export type Edit = (policy: Policy) => Operation[];
