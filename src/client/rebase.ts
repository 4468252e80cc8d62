import type { Operation } from 'rfc6902';
import { applyToPolicy, patchBetween } from '../core/policy/patch.ts';
import type { Policy } from '../core/policy/types.ts';

/** True when one path is the other or lies inside it. */
function overlap(a: string, b: string): boolean {
  return a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);
}

/**
 * Whether an edit made on `before` meets what changed between `before` and `newer`. Edits to different places do
 * not, because collections are keyed by id. Both having come to the same value is no collision either.
 */
export function collides(edit: readonly Operation[], before: Policy, newer: Policy): boolean {
  const theirs = patchBetween(before, newer).map((operation) => operation.path);
  if (!edit.some((operation) => theirs.some((path) => overlap(operation.path, path)))) return false;
  const mine = applyToPolicy(newer, edit);
  return !mine.ok || patchBetween(newer, mine.policy).length > 0;
}
