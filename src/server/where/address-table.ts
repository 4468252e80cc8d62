import { isIP } from 'node:net';
import ipaddr from 'ipaddr.js';
import { CsvReader } from '../../core/tabular/csv-reader.ts';

/** Where an address is, as far as a table says. */
export interface Whereabouts {
  /** ISO 3166-1 */
  country: string;
  /** ISO 3166-2; null: the country is all that is known */
  region: string | null;
}

/** Finds where an address is by the narrowest range that has it; null: none has. */
export type FindAddress = (address: string) => Whereabouts | null;

/** So many ranges at most. */
const mostRanges = 1_000_000;

/**
 * A table of ranges as CSV: `range,country,region` under a heading, a range as 192.0.2.0/24 or 2001:db8::/32, the region empty
 * where it is not known.
 *
 * @throws Error with the number of the line that is none
 */
export function addressTable(csv: string): FindAddress {
  const ranges = new Map<string, Whereabouts>();
  const lengths = new Map<number, Set<number>>();
  const fault = (reason: string, line: number): never => {
    throw new Error(`line ${line} ${reason}`);
  };
  const row = (cells: string[], line: number): void => {
    if (line === 1) return;
    const [range = '', country = '', region = ''] = cells.map((cell) => cell.trim());
    if (!ipaddr.isValidCIDR(range) || !/^[A-Z]{2}$/.test(country) || !/^([A-Z]{2}-[A-Z0-9]{1,3})?$/.test(region))
      fault(`is no range with a country: “${range.slice(0, 60)}”`, line);
    if (ranges.size >= mostRanges) fault(`is beyond the ${mostRanges} ranges that are read`, line);
    const [network, bits] = ipaddr.parseCIDR(range);
    const bytes = network.toByteArray();
    ranges.set(keyOf(bytes, bits), { country, region: region === '' ? null : region });
    lengths.set(bytes.length, (lengths.get(bytes.length) ?? new Set()).add(bits));
  };
  const reader = new CsvReader(',', { row, fault });
  reader.push(csv);
  reader.end();
  const narrowestFirst = new Map([...lengths].map(([length, all]) => [length, [...all].sort((a, b) => b - a)]));
  return (address) => {
    if (isIP(address) === 0) return null;
    const bytes = ipaddr.process(address).toByteArray();
    for (const bits of narrowestFirst.get(bytes.length) ?? []) {
      const found = ranges.get(keyOf(bytes, bits));
      if (found) return found;
    }
    return null;
  };
}

/** The first bits of an address, with how many they are. */
function keyOf(bytes: readonly number[], bits: number): string {
  const kept = bytes.map((byte, index) => {
    const left = Math.min(8, Math.max(0, bits - index * 8));
    return byte & (0xff << (8 - left)) & 0xff;
  });
  return `${bits}/${kept.join('.')}`;
}
