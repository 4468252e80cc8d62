import { inOrder } from './ordered.ts';
import { isRecord } from './same.ts';

/**
 * A text that two plain values (of JSON) have in common exactly where they mean the same: whatever the order of their keys,
 * and in collections whatever the ids, as long as the entries come in the same order. For grouping and counting by meaning;
 * two single values of which ids matter are compared by `same`.
 */
export function meaningOf(value: unknown): string {
  return JSON.stringify(withoutNames(value)) ?? 'undefined';
}

function withoutNames(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutNames);
  if (!isRecord(value)) return value;
  if (isCollection(value)) return inOrder(value).map(([, { order: _, ...entry }]) => withoutNames(entry));
  return Object.fromEntries(
    Object.keys(value)
      .filter((key) => value[key] !== undefined)
      .sort()
      .map((key) => [key, withoutNames(value[key])]),
  );
}

/** Entries by id, each with its place in the order. */
function isCollection(value: Record<string, unknown>): value is Record<string, { order: number }> {
  const entries = Object.values(value);
  return entries.length > 0 && entries.every((entry) => isRecord(entry) && typeof entry.order === 'number');
}
