import { applyPatch, createPatch, type Operation } from 'rfc6902';
import { isRecord, same } from '../same.ts';
import type { Policy } from './types.ts';

const escape = (step: string) => step.replaceAll('~', '~0').replaceAll('/', '~1');
const unescape = (step: string) => step.replaceAll('~1', '/').replaceAll('~0', '~');

type PatchOutcome =
  | { ok: true; policy: Policy }
  | { ok: false; /** index of the operation that does not fit */ operation: number; reason: string };

/**
 * A policy with a JSON Patch (RFC 6902) on top. The policy handed in stays as it is, and what no operation touches is
 * shared with it, so that whoever made something of a part can tell that it is the same.
 */
export function applyToPolicy(policy: Policy, patch: readonly Operation[]): PatchOutcome {
  const owned = new Set<unknown>();
  const spent: Spent = { copied: 0, shifted: 0 };
  let next = policy;
  for (const [index, operation] of patch.entries()) {
    const refused = refusedBecause(next, operation, spent);
    if (refused !== null) return { ok: false, operation: index, reason: refused };
    if (operation.path === '') {
      const root = atRoot(next, operation);
      if ('reason' in root) return { ok: false, operation: index, reason: root.reason };
      next = root.document as Policy;
      continue;
    }
    next = ownAlong(next, operation.path, owned);
    if ('from' in operation) next = ownAlong(next, operation.from, owned);
    const [failure] = applyPatch(next, [operation]);
    if (failure) return { ok: false, operation: index, reason: failure.message };
  }
  return { ok: true, policy: next };
}

/** What operations have built so far that the patch itself does not hold. */
interface Spent {
  /** values and their parts that were copied */
  copied: number;
  /** entries of lists that had to move for one put in or taken out */
  shifted: number;
}

/** A list copied into itself again and again doubles each time: so many parts are copied in all. */
const mostCopied = 200_000;
const mostShifted = 20_000_000;

/** Names that mean something to every object: no entry of a policy is called so. */
const reserved = new Set(['__proto__', 'constructor', 'prototype']);

/** Why an operation is not even tried, if so: paths that lead into prototypes or beside a list's positions, and copies without end. */
function refusedBecause(document: unknown, operation: Operation, spent: Spent): string | null {
  for (const pointer of 'from' in operation ? [operation.from, operation.path] : [operation.path]) {
    if (pointer !== '' && !pointer.startsWith('/')) return 'a path begins with /';
    let here = document;
    for (const step of pointer.split('/').slice(1)) {
      const key = unescape(step);
      if (reserved.has(key)) return `nothing can be called "${key}"`;
      if (Array.isArray(here)) {
        if (!/^(0|[1-9]\d{0,8}|-)$/.test(key)) return 'a list is stepped into by a position';
        spent.shifted += here.length;
      }
      here =
        typeof here === 'object' && here !== null && Object.hasOwn(here, key)
          ? (here as Record<string, unknown>)[key]
          : undefined;
    }
    if (operation.op === 'copy' && pointer === operation.from) spent.copied += partsOf(here, mostCopied - spent.copied);
  }
  if (spent.copied > mostCopied) return 'it copies more than an edit may';
  return spent.shifted > mostShifted ? 'it moves more entries of lists than an edit may' : null;
}

/** How many values something holds, itself included; counted no further than a bit over `enough`. */
function partsOf(value: unknown, enough: number): number {
  if (typeof value !== 'object' || value === null) return 1;
  let count = 1;
  for (const part of Object.values(value)) {
    count += partsOf(part, enough - count);
    if (count > enough) return count;
  }
  return count;
}

/** An operation on the document as a whole (RFC 6902: the path of the root is empty). */
function atRoot(document: unknown, operation: Operation): { document: unknown } | { reason: string } {
  switch (operation.op) {
    case 'add':
    case 'replace':
      return { document: operation.value };
    case 'test':
      return same(document, operation.value) ? { document } : { reason: 'Test failed' };
    case 'copy':
    case 'move': {
      const part = operation.from
        .split('/')
        .slice(1)
        .reduce<unknown>(
          (here, step) =>
            typeof here === 'object' && here !== null && Object.hasOwn(here, unescape(step))
              ? (here as Record<string, unknown>)[unescape(step)]
              : undefined,
          document,
        );
      return part === undefined ? { reason: `Value required at pointer: ${operation.from}` } : { document: part };
    }
    default:
      return { reason: 'the document as a whole cannot be taken away' };
  }
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
  return changesBetween(from, to, '', 8);
}

/** The second of two policies, made of the very same things as the first as far as they are the same: then these are not compared again. */
export const sharing = (one: Policy, other: Policy): Policy => withPatches(one, [patchBetween(one, other)]);

/** @param depth levels at which entries are compared one by one before whatever differs is compared in depth */
function changesBetween(before: unknown, after: unknown, path: string, depth: number): Operation[] {
  if (before === after) return [];
  if (after === undefined) return [{ op: 'remove', path }];
  if (before === undefined) return [{ op: 'add', path, value: after }];
  if (!isRecord(before) || !isRecord(after) || depth === 0) {
    if (same(before, after)) return [];
    return createPatch(before, after).map((operation) => ({ ...operation, path: path + operation.path }));
  }
  return differingKeys(before, after).flatMap((key) =>
    changesBetween(before[key], after[key], `${path}/${escape(key)}`, depth - 1),
  );
}

/** Keys under which two objects do not share the very same value. Of thousands of entries an edit touches one or two. */
export function differingKeys(before: Record<string, unknown>, after: Record<string, unknown>): string[] {
  const keys: string[] = [];
  for (const key in before) if (before[key] !== after[key] || !Object.hasOwn(after, key)) keys.push(key);
  for (const key in after) if (!Object.hasOwn(before, key)) keys.push(key);
  return keys;
}

/** Whether two policies say the same. */
export const samePolicy: (a: Policy, b: Policy) => boolean = same;
