import { meaningOf } from '../meaning.ts';
import { inOrder } from '../ordered.ts';
import type { DeliveryOption, Policy } from '../policy/types.ts';

/** What of an option can differ from zone to zone. */
const comparedFields = ['charge', 'estimate', 'when', 'label', 'schedule', 'on', 'kind'] as const;
export type ComparedField = (typeof comparedFields)[number];

/** An option of one name, as each zone of a market has it. */
interface ComparedOption {
  name: string;
  /** zone → its option, and in what it differs from what most zones have; null where the zone has none */
  zones: Map<string, { id: string; option: DeliveryOption; differs: ComparedField[] } | null>;
  /** the same in every zone */
  same: boolean;
}

/**
 * The options of a market's zones side by side, those of one name in one row. What most zones have is taken for what is
 * meant; among equally many, what the zone listed first has.
 */
export function compareZones(policy: Policy, marketId: string): { zones: string[]; rows: ComparedOption[] } {
  const zones = inOrder(policy.zones).flatMap(([id, { market }]) => (market === marketId ? [id] : []));
  const rows = new Map<string, Map<string, [string, DeliveryOption]>>();
  for (const [id, option] of inOrder(policy.options)) {
    if (!zones.includes(option.zone)) continue;
    const row = rows.get(option.name) ?? new Map<string, [string, DeliveryOption]>();
    if (!row.has(option.zone)) row.set(option.zone, [id, option]);
    rows.set(option.name, row);
  }
  return {
    zones,
    rows: [...rows].map(([name, row]) => {
      const present = zones.flatMap((zone) => row.get(zone)?.[1] ?? []);
      const usual = Object.fromEntries(
        comparedFields.map((field) => [field, mostCommon(present.map((option) => meaningOf(option[field])))]),
      );
      const cells = new Map(
        zones.map((zone) => {
          const found = row.get(zone);
          return [
            zone,
            found
              ? {
                  id: found[0],
                  option: found[1],
                  differs: comparedFields.filter((field) => meaningOf(found[1][field]) !== usual[field]),
                }
              : null,
          ] as const;
        }),
      );
      return {
        name,
        zones: cells,
        same: [...cells.values()].every((cell) => cell !== null && cell.differs.length === 0),
      };
    }),
  };
}

function mostCommon(values: readonly (string | undefined)[]): string | undefined {
  const counts = new Map<string | undefined, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].reduce((best, one) => (one[1] > best[1] ? one : best))[0];
}
