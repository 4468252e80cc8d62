import { applyPatch, createPatch, type Operation } from 'rfc6902';
import type { Policy } from './types.ts';

const escape = (step: string) => step.replaceAll('~', '~0').replaceAll('/', '~1');
const unescape = (step: string) => step.replaceAll('~1', '/').replaceAll('~0', '~');
const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

export type PatchOutcome = { ok: true; policy: Policy } | { ok: false; /** index of the operation that does not fit */ operation: number; reason: string };

/**
 * A policy with a JSON Patch (RFC 6902) on top. The policy handed in stays as it is, and what no operation touches is
 * shared with it, so that whoever made something of a part can tell that it is the same.
 */
export function applyToPolicy(policy: Policy, patch: readonly Operation[]): PatchOutcome {
  const owned = new Set<unknown>();
  let next = policy;
  for (const [index, operation] of patch.entries()) {
    next = ownAlong(next, operation.path, owned);
    if ('from' in operation) next = ownAlong(next, operation.from, owned);
    const [failure] = applyPatch(next, [operation as Operation]);
    if (failure) return { ok: false, operation: index, reason: failure.message };
  }
  return { ok: true, policy: next };
}

/** The policy with patches on top; a patch that does not fit is left out whole. */
export function withPatches(policy: Policy, patches: readonly (readonly Operation[])[]): Policy {
  let result = policy;
  for (const patch of patches) {
    const outcome = applyToPolicy(result, patch);
    if (outcome.ok) result = outcome.policy;
  }
  return result;
}

/** A copy of which everything on the way of a JSON Pointer may be changed, and which shares the rest. */
function ownAlong<T>(document: T, pointer: string, owned: Set<unknown>): T {
  const own = (value: unknown): unknown => {
    if (owned.has(value) || typeof value !== 'object' || value === null) return value;
    const copy = Array.isArray(value) ? [...(value as unknown[])] : { ...value };
    owned.add(copy);
    return copy;
  };
  const root = own(document) as T;
  let here = root as Record<string, unknown>;
  for (const step of pointer.split('/').slice(1)) {
    const key = unescape(step);
    if (typeof here !== 'object' || here === null || !Object.hasOwn(here, key)) break;
    here = (here[key] = own(here[key])) as Record<string, unknown>;
  }
  return root;
}

/**
 * The JSON Patch that makes one policy of another. What both share is passed over without a look, and of the rest the
 * entries of collections that are the same: comparing whole documents in depth takes ten times as long.
 */
export function patchBetween(from: Policy, to: Policy): Operation[] {
  return changesBetween(from, to, '', 2);
}

/** @param depth levels at which entries are compared one by one before whatever differs is compared in depth */
function changesBetween(before: unknown, after: unknown, path: string, depth: number): Operation[] {
  if (before === after) return [];
  if (after === undefined) return [{ op: 'remove', path }];
  if (before === undefined) return [{ op: 'add', path, value: after }];
  if (!isObject(before) || !isObject(after) || depth === 0) {
    if (JSON.stringify(before) === JSON.stringify(after)) return [];
    return createPatch(before, after).map((operation) => ({ ...operation, path: path + operation.path }));
  }
  return differingKeys(before, after).flatMap((key) => changesBetween(before[key], after[key], `${path}/${escape(key)}`, depth - 1));
}

/** Keys under which two objects do not share the very same value. Of thousands of entries an edit touches one or two. */
export function differingKeys(before: Record<string, unknown>, after: Record<string, unknown>): string[] {
  const keys: string[] = [];
  for (const key in before) if (before[key] !== after[key] || !Object.hasOwn(after, key)) keys.push(key);
  for (const key in after) if (!Object.hasOwn(before, key)) keys.push(key);
  return keys;
}

/** Whether two policies say the same. What they share is passed over without a look. */
export function samePolicy(a: Policy, b: Policy): boolean {
  return same(a, b);
}

function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null || Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => Object.hasOwn(b, key) && same((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]));
}
