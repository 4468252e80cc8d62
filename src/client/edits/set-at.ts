import { withPatches } from '../../core/policy/patch.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { Operation } from 'rfc6902';
import type { Edit } from './edit.ts';
import { unaccented } from '../../core/unaccented.ts';

const escape = (step: string) => step.replaceAll('~', '~0').replaceAll('/', '~1');
export const pointer = (...steps: string[]) => steps.map((step) => `/${escape(step)}`).join('');

/** What stands where the steps lead; undefined where they lead nowhere. */
export const valueAt = <T>(policy: Policy, steps: readonly string[]): T | undefined =>
  steps.reduce<unknown>((here, step) => (here as Record<string, unknown> | undefined)?.[step], policy) as T | undefined;

/** Puts a value where the steps lead, making what is missing on the way; undefined takes it away. */
export const setAt =
  (steps: readonly string[], value: unknown): Edit =>
  (policy) => {
    let here: unknown = policy;
    for (const [depth, step] of steps.entries()) {
      const next = (here as Record<string, unknown>)[step];
      if (next === undefined) {
        if (value === undefined) return [];
        const inner = steps.slice(depth + 1).reduceRight<unknown>((made, key) => ({ [key]: made }), value);
        return [{ op: 'add', path: pointer(...steps.slice(0, depth + 1)), value: inner }];
      }
      here = next;
    }
    return [
      value === undefined
        ? { op: 'remove', path: pointer(...steps) }
        : { op: 'replace', path: pointer(...steps), value },
    ];
  };

/** A text in one language. An empty one takes it away, and the last one the whole table unless that is needed. */
export const setTextIn =
  (steps: readonly string[], language: string, text: string, needed = false): Edit =>
  (policy) => {
    if (text !== '') return setAt([...steps, language], text)(policy);
    const last = !needed && Object.keys(valueAt<object>(policy, steps) ?? {}).every((other) => other === language);
    return setAt(last ? steps : [...steps, language], undefined)(policy);
  };

/** Several edits as one, each falling on what the ones before it left. */
export const inTurn =
  (...edits: readonly Edit[]): Edit =>
  (policy) => {
    let current = policy;
    const patch: Operation[] = [];
    for (const edit of edits) {
      const next = edit(current);
      patch.push(...next);
      current = withPatches(current, [next]);
    }
    return patch;
  };

/** An id that a collection does not have yet, made of a name: “Outer islands” → outer-islands, outer-islands-2. */
export function freshId(name: string, taken: Readonly<Record<string, unknown>>): string {
  const plain =
    unaccented(name)
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 32)
      .replace(/-+$/, '') || 'new';
  const base = plain === 'constructor' || plain === 'prototype' ? `${plain}-1` : plain;
  for (let count = 1; ; count++) {
    const id = count === 1 ? base : `${base}-${count}`;
    if (!Object.hasOwn(taken, id)) return id;
  }
}

/** An order key between two others, or beside the only one. */
function orderBetween(before: number | undefined, after: number | undefined): number {
  if (before === undefined) return (after ?? 1) - 1;
  return after === undefined ? before + 1 : (before + after) / 2;
}

/**
 * Moves an entry of a collection by some places among `siblings`, ids in shown order. Where there is room between its new
 * neighbours only its own order key changes; else those of all siblings do.
 */
export const moveBy =
  (collection: 'zones' | 'options' | 'markets' | 'places', siblings: readonly string[], id: string, by: number): Edit =>
  (policy) => {
    const sequence = siblings.filter((other) => other !== id);
    const to = Math.max(0, Math.min(sequence.length, siblings.indexOf(id) + by));
    const orderOf = (other: string | undefined) =>
      other === undefined ? undefined : policy[collection]?.[other]?.order;
    const [before, after] = [orderOf(sequence[to - 1]), orderOf(sequence[to])];
    sequence.splice(to, 0, id);
    const between = orderBetween(before, after);
    const fits = (before === undefined || between > before) && (after === undefined || between < after);
    return fits
      ? setAt([collection, id, 'order'], between)(policy)
      : sequence.flatMap((other, index) => setAt([collection, other, 'order'], index + 1)(policy));
  };

/** Moves an entry of a small collection by some places; its entries are numbered anew. */
export const renumber =
  (collection: readonly string[], id: string, by: number): Edit =>
  (policy) => {
    const ids = inOrder(valueAt<Record<string, { order: number }>>(policy, collection) ?? {}).map(([other]) => other);
    const sequence = ids.filter((other) => other !== id);
    sequence.splice(Math.max(0, Math.min(sequence.length, ids.indexOf(id) + by)), 0, id);
    return sequence.flatMap((other, index) => setAt([...collection, other, 'order'], index + 1)(policy));
  };
