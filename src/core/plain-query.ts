/**
 * What an address says after its question mark. A value or name that every object has a property of (`constructor`,
 * `__proto__`, `toString` …) can be no id, and is left out, so that looking it up finds nothing instead of that property.
 */
export function plainQuery(entries: Iterable<readonly [string, string]>): Record<string, string> {
  const known = new Map(
    [...entries].filter(([name, value]) => !(name in Object.prototype) && !(value in Object.prototype)),
  );
  return Object.fromEntries(known);
}
