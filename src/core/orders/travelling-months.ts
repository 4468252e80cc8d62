import type { OrderMonth } from './months.ts';

/** Months with few orders travel together, up to so many. */
export const mostMonths = 40;
const mostOrders = 30_000;

/**
 * Which months travel together: each request costs more than the few orders of a small shop's month. Filled from the oldest on, so
 * that what comes to the newest month leaves the others as the browser keeps them.
 */
export function monthsTogether(months: readonly OrderMonth[]): OrderMonth[][] {
  const groups: OrderMonth[][] = [];
  let orders = 0;
  for (const month of months) {
    const last = groups.at(-1);
    orders += month.orders;
    if (last && last.length < mostMonths && orders <= mostOrders) last.push(month);
    else {
      groups.push([month]);
      orders = month.orders;
    }
  }
  return groups;
}

const wordSize = 4;

/** Packed months one behind the other, each after its length in 32 bits, little-endian. */
export function joinMonths(months: readonly Uint8Array[]): Uint8Array {
  const joined = new Uint8Array(months.reduce((sum, { byteLength }) => sum + wordSize + byteLength, 0));
  const view = new DataView(joined.buffer);
  let at = 0;
  for (const month of months) {
    view.setUint32(at, month.byteLength, true);
    joined.set(month, at + wordSize);
    at += wordSize + month.byteLength;
  }
  return joined;
}

/** The same apart again. @throws RangeError for bytes that `joinMonths` did not write */
export function apartMonths(joined: Uint8Array): Uint8Array[] {
  const view = new DataView(joined.buffer, joined.byteOffset, joined.byteLength);
  const months: Uint8Array[] = [];
  for (let at = 0; at < joined.byteLength;) {
    const from = at + wordSize;
    const to = from <= joined.byteLength ? from + view.getUint32(at, true) : Infinity;
    if (to > joined.byteLength) throw new RangeError('months are cut off');
    months.push(joined.subarray(from, to));
    at = to;
  }
  return months;
}
