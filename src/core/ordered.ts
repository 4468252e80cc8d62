const known = new WeakMap<object, [id: string, item: { order: number }][]>();

/**
 * Entries of a keyed collection in shown order: by `order`, ties by id (code unit order, the same everywhere). They are
 * sorted once for each collection, which must not be changed in place afterwards.
 */
export function inOrder<T extends { order: number }>(collection: Record<string, T>): [id: string, item: T][] {
  let entries = known.get(collection) as [id: string, item: T][] | undefined;
  if (!entries) {
    entries = Object.entries(collection).sort(
      ([idA, a], [idB, b]) => a.order - b.order || Number(idA > idB) - Number(idA < idB),
    );
    known.set(collection, entries);
  }
  return entries.slice();
}

/** An order key that sorts after all present ones. */
export function orderAfterLast(collection: Record<string, { order: number }>): number {
  return Object.values(collection).reduce((highest, item) => Math.max(highest, item.order), 0) + 1;
}
