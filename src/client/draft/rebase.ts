import type { Operation } from 'rfc6902';
import { applyToPolicy, patchBetween } from '../../core/policy/patch.ts';
import { meet, placesOf } from '../../core/policy/patch-places.ts';
import type { Policy } from '../../core/policy/types.ts';

export interface Rebased {
  /** edits that go on top of the newer policy as they are */
  kept: Operation[][];
  /** edits that met a change of someone else, each with the later ones that build on it */
  meeting: Operation[][];
}

/**
 * Edits waiting to be sent, oldest first, put on a newer policy. Edits to different places do not meet, because collections are
 * keyed by id. One that meets what someone else changed is held back, and so is one that what it was made on is gone for, and
 * each later one that touches what a held one does, since it was made on top of it; one that would change nothing any more,
 * both having come to the same, is done.
 *
 * @param theirs places that someone else changed
 */
export function rebase(edits: readonly Operation[][], theirs: readonly string[], newer: Policy): Rebased {
  const kept: Operation[][] = [];
  const meeting: Operation[][] = [];
  let held: string[] = [];
  let here = newer;
  for (const edit of edits) {
    const places = placesOf(edit);
    const last = meeting.at(-1);
    const outcome = applyToPolicy(here, edit);
    if (last && meet(places, held)) last.push(...edit);
    else if (outcome.ok && !meet(places, theirs)) {
      kept.push(edit);
      here = outcome.policy;
      continue;
    } else if (outcome.ok && patchBetween(here, outcome.policy).length === 0) continue;
    else meeting.push([...edit]);
    held = [...held, ...places];
  }
  return { kept, meeting };
}
