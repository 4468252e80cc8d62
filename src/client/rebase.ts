import type { Operation } from 'rfc6902';
import { applyToPolicy, patchBetween } from '../core/policy/patch.ts';
import type { Policy } from '../core/policy/types.ts';

/** True when one path is the other or lies inside it. */
function overlap(a: string, b: string): boolean {
  return a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);
}

const pathsOf = (patch: readonly Operation[]): string[] =>
  patch.flatMap((operation) => ('from' in operation ? [operation.from, operation.path] : [operation.path]));
const meets = (paths: readonly string[], others: readonly string[]): boolean =>
  paths.some((path) => others.some((other) => overlap(path, other)));

/**
 * Whether an edit made on `before` meets what changed between `before` and `newer`. Edits to different places do
 * not, because collections are keyed by id. Both having come to the same value is no collision either.
 */
export function collides(edit: readonly Operation[], before: Policy, newer: Policy): boolean {
  return collidesWith(
    edit,
    patchBetween(before, newer).map(({ path }) => path),
    newer,
  );
}

/** The same where only the places are known that someone else changed. */
export function collidesWith(edit: readonly Operation[], theirs: readonly string[], newer: Policy): boolean {
  if (!meets(pathsOf(edit), theirs)) return false;
  const mine = applyToPolicy(newer, edit);
  return !mine.ok || patchBetween(newer, mine.policy).length > 0;
}

interface Rebased {
  /** edits that go on top of the newer policy as they are */
  kept: Operation[][];
  /** edits that met a change of someone else, each with the later ones that build on it */
  meeting: Operation[][];
}

/**
 * Edits waiting to be sent, oldest first, put on a newer policy: each that meets what someone else changed is held back, and so
 * is each later one that touches what a held one does, since it was made on top of it.
 *
 * @param theirs paths that someone else changed
 */
export function rebase(edits: readonly Operation[][], theirs: readonly string[], newer: Policy): Rebased {
  const kept: Operation[][] = [];
  const meeting: Operation[][] = [];
  let held: string[] = [];
  for (const edit of edits) {
    const paths = pathsOf(edit);
    const last = meeting.at(-1);
    if (last && meets(paths, held)) last.push(...edit);
    else if (collidesWith(edit, theirs, newer)) meeting.push([...edit]);
    else {
      kept.push(edit);
      continue;
    }
    held = [...held, ...paths];
  }
  return { kept, meeting };
}
