import type { OptionKind } from '../../policy/types.ts';
import { localDelivery } from './local-delivery.ts';
import type { OptionKindRecord } from './option-kind.ts';
import { parcel } from './parcel.ts';
import { pickUp } from './pick-up.ts';

/** Every kind of delivery option, in the order in which they are offered. */
const registered: OptionKindRecord[] = [parcel, pickUp, localDelivery];
const byKind = new Map<string, OptionKindRecord>(registered.map((record) => [record.kind, record]));

export const optionKindRecords = (): readonly OptionKindRecord[] => registered;

/** Adds a kind of delivery option. Everything that walks the registry knows it from then on. */
export function registerOptionKind(record: OptionKindRecord): void {
  if (byKind.has(record.kind)) throw new RangeError(`there is a delivery option "${record.kind}" already`);
  registered.push(record);
  byKind.set(record.kind, record);
}

/** All that is known of an option's kind. */
export function optionKindOf({ kind }: { kind: OptionKind }): OptionKindRecord {
  const record = byKind.get(kind);
  if (!record) throw new RangeError(`there is no delivery option "${kind}"`);
  return record;
}

/** The same by name; undefined for what is no kind of delivery option. */
export const optionKindNamed = (kind: string): OptionKindRecord | undefined => byKind.get(kind);
