import { applyPatch, createPatch, type Operation } from 'rfc6902';
import type { Policy } from '../core/policy/types.ts';

/**
 * The policy with patches on top; a patch that no longer fits is left out whole. What no patch touches is shared with
 * the policy handed in, so that whoever draws a part of it can tell that it is the same.
 */
export function withPatches(policy: Policy, patches: readonly (readonly Operation[])[]): Policy {
  let result = policy;
  for (const patch of patches) result = withPatch(result, patch) ?? result;
  return result;
}

function withPatch(policy: Policy, patch: readonly Operation[]): Policy | null {
  let next = policy;
  for (const operation of patch) {
    next = ownAlong(next, operation.path);
    if ('from' in operation) next = ownAlong(next, operation.from);
    if (applyPatch(next, [operation as Operation]).some((failure) => failure !== null)) return null;
  }
  return next;
}

/** A copy of which everything on the way of a JSON Pointer may be changed, and which shares the rest. */
function ownAlong<T>(document: T, pointer: string): T {
  const own = (value: unknown): unknown => (Array.isArray(value) ? [...value] : typeof value === 'object' && value !== null ? { ...value } : value);
  const root = own(document) as T;
  let here = root as Record<string, unknown>;
  for (const step of pointer.split('/').slice(1)) {
    const key = step.replaceAll('~1', '/').replaceAll('~0', '~');
    if (typeof here !== 'object' || here === null || !Object.hasOwn(here, key)) break;
    here = (here[key] = own(here[key])) as Record<string, unknown>;
  }
  return root;
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
