import { Memo } from '../memo.ts';
import type { Policy } from '../policy/types.ts';

/** How many options have each name. */
const countsOf = new Memo((options: Policy['options']) => {
  const counts = new Map<string, number>();
  for (const { name } of Object.values(options)) counts.set(name, (counts.get(name) ?? 0) + 1);
  return counts;
});

/** An option's name, with its zone's where others have the same one: “Parcel, Islands”. An id of none stays as it is. */
export function optionTitle({ options, zones }: Pick<Policy, 'options' | 'zones'>, id: string): string {
  const option = Object.hasOwn(options, id) ? options[id] : undefined;
  if (!option) return id;
  const several = (countsOf.get(options, {}).get(option.name) ?? 0) > 1;
  const zone = zones[option.zone]?.name;
  return several && zone !== undefined ? `${option.name}, ${zone}` : option.name;
}
