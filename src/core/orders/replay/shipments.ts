/** Where an order went; a postcode or region that is not known is empty. */
export type OrderPlace = readonly [country: string, region: string, postcode: string];

/** Where past orders went, what they weighed and which code was entered, in the order of their columns. */
export interface OrderShipments {
  places: OrderPlace[];
  /** position in `places` */
  place: Uint32Array;
  /** `weightUnknown` where it is not known */
  grams: Uint32Array;
  /** codes in upper case, as they are compared; '' first, for none */
  codes: string[];
  /** position in `codes` */
  code: Uint32Array;
}

export const weightUnknown = 0xffffffff;
/** Bytes before what is packed. */
const head = 8;
const wordSize = Uint32Array.BYTES_PER_ELEMENT;
/** Columns that are packed: places, grams, codes. */
const packed = 3;

export const emptyShipments = (count: number, places: OrderPlace[] = [], codes: string[] = ['']): OrderShipments => ({
  places,
  place: new Uint32Array(count),
  grams: new Uint32Array(count).fill(weightUnknown),
  codes,
  code: new Uint32Array(count),
});

/** Finds the position of a place in a list, which grows by it. */
export const placeIndex = (places: OrderPlace[], known: Map<string, number>, place: OrderPlace): number =>
  indexIn(places, known, place, place.join('\n'));

/** The same of a code as an export writes it. */
export function codeIndex(codes: string[], known: Map<string, number>, written: string): number {
  if (written === '') return 0;
  const code = written.trim().toUpperCase();
  return code === '' ? 0 : indexIn(codes, known, code, code);
}

function indexIn<T>(all: T[], known: Map<string, number>, one: T, key: string): number {
  let index = known.get(key);
  if (index === undefined) {
    index = all.push(one) - 1;
    known.set(key, index);
  }
  return index;
}

/**
 * Shipments as bytes, little-endian as all platforms that run this are: count and length of the lists as 32-bit numbers,
 * positions of places, grams and positions of codes in 32 bits each, then the two lists as JSON.
 */
export function packShipments({ places, place, grams, codes, code }: OrderShipments): Uint8Array {
  const text = new TextEncoder().encode(JSON.stringify([places, codes]));
  const count = place.length;
  const bytes = new Uint8Array(head + packed * wordSize * count + text.length);
  new Uint32Array(bytes.buffer, 0, 2).set([count, text.length]);
  for (const [at, column] of [place, grams, code].entries())
    new Uint32Array(bytes.buffer, head + at * wordSize * count, count).set(column);
  bytes.set(text, head + packed * wordSize * count);
  return bytes;
}

/** Months put one behind the other. @throws RangeError for bytes that `packShipments` did not write */
export function unpackShipments(months: readonly Uint8Array[]): OrderShipments {
  const parts = months.map((bytes) => {
    if (bytes.byteLength < head) throw new RangeError('packed shipments are cut off');
    // Copied, so that numbers stand where their kind may stand; some kinds of bytes would only be looked at by slice.
    const { buffer } = new Uint8Array(bytes);
    const [count, length] = new Uint32Array(buffer, 0, 2) as unknown as [number, number];
    const text = head + packed * wordSize * count;
    if (buffer.byteLength !== text + length) throw new RangeError('packed shipments are cut off');
    const column = (at: number) => new Uint32Array(buffer, head + at * wordSize * count, count);
    const [places, codes] = JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, text, length))) as [
      OrderPlace[],
      string[],
    ];
    return { place: column(0), grams: column(1), code: column(2), places, codes };
  });
  const all = emptyShipments(parts.reduce((sum, { place }) => sum + place.length, 0));
  const knownPlaces = new Map<string, number>();
  const knownCodes = new Map<string, number>();
  let start = 0;
  for (const { place, grams, code, places, codes } of parts) {
    const ofPlace = places.map((one) => placeIndex(all.places, knownPlaces, one));
    const ofCode = codes.map((one) => codeIndex(all.codes, knownCodes, one));
    for (const [i, index] of place.entries()) all.place[start + i] = ofPlace[index]!;
    for (const [i, index] of code.entries()) all.code[start + i] = ofCode[index]!;
    all.grams.set(grams, start);
    start += place.length;
  }
  return all;
}
