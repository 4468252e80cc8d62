/** Where an order went; a postcode or region that is not known is empty. */
export type OrderPlace = readonly [country: string, region: string, postcode: string];

/** Where past orders went and what they weighed, in the order of their columns. */
export interface OrderShipments {
  places: OrderPlace[];
  /** position in `places` */
  place: Uint32Array;
  /** `weightUnknown` where it is not known */
  grams: Uint32Array;
}

export const weightUnknown = 0xffffffff;
/** Bytes before what is packed. */
const head = 8;
const wordSize = Uint32Array.BYTES_PER_ELEMENT;

export const emptyShipments = (count: number, places: OrderPlace[] = []): OrderShipments => ({
  places,
  place: new Uint32Array(count),
  grams: new Uint32Array(count).fill(weightUnknown),
});

/** Finds the position of a place in a list, which grows by it. */
export function placeIndex(places: OrderPlace[], known: Map<string, number>, place: OrderPlace): number {
  const key = place.join('\n');
  let index = known.get(key);
  if (index === undefined) {
    index = places.push(place) - 1;
    known.set(key, index);
  }
  return index;
}

/**
 * Shipments as bytes, little-endian as all platforms that run this are: count and length of the places as 32-bit numbers,
 * positions and grams in 32 bits each, then the places as JSON.
 */
export function packShipments({ places, place, grams }: OrderShipments): Uint8Array {
  const text = new TextEncoder().encode(JSON.stringify(places));
  const count = place.length;
  const bytes = new Uint8Array(head + 2 * wordSize * count + text.length);
  new Uint32Array(bytes.buffer, 0, 2).set([count, text.length]);
  new Uint32Array(bytes.buffer, head, count).set(place);
  new Uint32Array(bytes.buffer, head + wordSize * count, count).set(grams);
  bytes.set(text, head + 2 * wordSize * count);
  return bytes;
}

/** Months put one behind the other. @throws RangeError for bytes that `packShipments` did not write */
export function unpackShipments(months: readonly Uint8Array[]): OrderShipments {
  const parts = months.map((bytes) => {
    if (bytes.byteLength < head) throw new RangeError('packed shipments are cut off');
    // Copied, so that numbers stand where their kind may stand; some kinds of bytes would only be looked at by slice.
    const { buffer } = new Uint8Array(bytes);
    const [count, length] = new Uint32Array(buffer, 0, 2) as unknown as [number, number];
    const text = head + 2 * wordSize * count;
    if (buffer.byteLength !== text + length) throw new RangeError('packed shipments are cut off');
    return {
      place: new Uint32Array(buffer, head, count),
      grams: new Uint32Array(buffer, head + wordSize * count, count),
      places: JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, text, length))) as OrderPlace[],
    };
  });
  const all = emptyShipments(parts.reduce((sum, { place }) => sum + place.length, 0));
  const known = new Map<string, number>();
  let start = 0;
  for (const { place, grams, places } of parts) {
    const position = places.map((one) => placeIndex(all.places, known, one));
    for (const [i, index] of place.entries()) all.place[start + i] = position[index]!;
    all.grams.set(grams, start);
    start += place.length;
  }
  return all;
}
