import { patchBetween, withPatches } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';

/** The second of two policies, made of the very same things as the first as far as they are the same: then these are not compared again. */
export const sharing = (one: Policy, other: Policy): Policy => withPatches(one, [patchBetween(one, other)]);
