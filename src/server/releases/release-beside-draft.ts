import type { Operation } from 'rfc6902';
import { patchBetween, withPatches } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import { currentReleaseNumber, readRelease } from './release-store.ts';

/** The current release, sharing with the last draft it was compared with what the two have in common. */
let known: { number: number; policy: Policy } | null = null;

/** The release that the shop uses as what it differs in from the draft: nearly all of the two is the same. */
export async function currentReleaseBeside(draft: Policy): Promise<{ number: number; patch: Operation[] } | null> {
  const number = await currentReleaseNumber();
  if (number === null) return null;
  const policy = known?.number === number ? known.policy : (await readRelease(number))?.policy;
  if (!policy) return null;
  const patch = patchBetween(draft, policy);
  known = { number, policy: withPatches(draft, [patch]) };
  return { number, patch };
}
