import { createPatch, type Operation } from 'rfc6902';
import type { Policy } from '../../core/policy/types.ts';

type Collections = Record<string, Record<string, unknown>>;

const escape = (step: string) => step.replaceAll('~', '~0').replaceAll('/', '~1');
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * The JSON Patch that makes one policy of another. Entries of collections that are the same are passed over, which an
 * edit leaves nearly all of: comparing whole documents in depth takes ten times as long.
 */
export function patchBetween(from: Policy, to: Policy): Operation[] {
  const before = from as unknown as Collections;
  const after = to as unknown as Collections;
  return keysOf(before, after).flatMap((key) => {
    if (!isObject(before[key]) || !isObject(after[key])) return changesOf(before[key], after[key], `/${escape(key)}`);
    const [entriesBefore, entriesAfter] = [before[key], after[key]];
    return keysOf(entriesBefore, entriesAfter).flatMap((id) => changesOf(entriesBefore[id], entriesAfter[id], `/${escape(key)}/${escape(id)}`));
  });
}

const keysOf = (a: object, b: object): string[] => [...new Set([...Object.keys(a), ...Object.keys(b)])];

function changesOf(before: unknown, after: unknown, path: string): Operation[] {
  if (after === undefined) return before === undefined ? [] : [{ op: 'remove', path }];
  if (before === undefined) return [{ op: 'add', path, value: after }];
  if (same(before, after)) return [];
  return createPatch(before, after).map((operation) => ({ ...operation, path: path + operation.path }));
}
