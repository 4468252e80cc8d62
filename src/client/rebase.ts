import { applyPatch, createPatch, type Operation } from 'rfc6902';
import type { Policy } from '../core/policy/types.ts';

/** The policy with patches on top; a patch that no longer fits is left out whole. */
export function withPatches(policy: Policy, patches: readonly (readonly Operation[])[]): Policy {
  let result = policy;
  for (const patch of patches) {
    const next = structuredClone(result);
    if (applyPatch(next, patch as Operation[]).every((failure) => failure === null)) result = next;
  }
  return result;
}

/** True when one path is the other or lies inside it. */
function overlap(a: string, b: string): boolean {
  return a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);
}

/**
 * Whether an edit made on `before` meets what changed between `before` and `newer`. Edits to different places do
 * not, because collections are keyed by id. Both having come to the same value is no collision either.
 */
export function collides(edit: readonly Operation[], before: Policy, newer: Policy): boolean {
  const theirs = createPatch(before, newer).map((operation) => operation.path);
  if (!edit.some((operation) => theirs.some((path) => overlap(operation.path, path)))) return false;
  const mine = structuredClone(newer);
  const failures = applyPatch(mine, edit as Operation[]);
  return failures.some((failure) => failure !== null) || createPatch(newer, mine).length > 0;
}
