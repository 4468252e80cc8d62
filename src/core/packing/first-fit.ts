/** Like pieces of a line of the cart. */
export interface Pieces {
  /** position of the line */
  line: number;
  /** of one piece */
  grams: number;
  quantity: number;
}

/** Parcels that hold the same. */
export interface LikeParcels {
  count: number;
  /** of the goods in one of them */
  grams: number;
  /** pieces of each line in one of them, in the order in which they were packed */
  contents: readonly (readonly [line: number, quantity: number])[];
  /** a single piece that is heavier than a parcel may be */
  over: boolean;
}

/**
 * Puts pieces into parcels by first-fit decreasing: the heaviest first (of equally heavy ones the line that comes first), each
 * into the first parcel that has room. At most 11/9 of the fewest parcels that would do and 6/9 of one (Dósa 2007). A piece that is
 * too heavy travels alone. Like parcels are one entry, so that many pieces cost no more than few.
 *
 * @param most grams of goods that a parcel may hold; Infinity: one parcel holds everything
 * @returns in the order in which parcels were begun, those that hold the same side by side as one; none without pieces
 */
export function packFirstFit(pieces: readonly Pieces[], most: number): LikeParcels[] {
  const parcels: LikeParcels[] = [];
  const order = pieces
    .filter(({ quantity }) => quantity > 0)
    .map((one, index) => ({ one, index }))
    .sort((a, b) => b.one.grams - a.one.grams || a.one.line - b.one.line || a.index - b.index);
  for (const { one } of order) fillIn(parcels, one, most);
  return parcels;
}

/** Like pieces fill each parcel as far as it has room before they go on to the next: what first fit does with them one by one. */
function fillIn(parcels: LikeParcels[], { line, grams, quantity }: Pieces, most: number): void {
  if (grams > most) {
    parcels.push({ count: quantity, grams, contents: [[line, 1]], over: true });
    return;
  }
  let left = quantity;
  for (let at = 0; at < parcels.length && left > 0; at++) {
    const parcel = parcels[at]!;
    const each = parcel.over ? 0 : fitting(grams, most - parcel.grams, left);
    if (each === 0) continue;
    const full = Math.min(parcel.count, Math.floor(left / each));
    const rest = full < parcel.count ? left - full * each : 0;
    const untouched = parcel.count - full - (rest > 0 ? 1 : 0);
    const split = [
      ...(full > 0 ? [holding(parcel, line, grams, each, full)] : []),
      ...(rest > 0 ? [holding(parcel, line, grams, rest, 1)] : []),
      ...(untouched > 0 ? [{ ...parcel, count: untouched }] : []),
    ];
    parcels.splice(at, 1, ...split);
    left -= full * each + rest;
    at += split.length - 1;
  }
  if (left === 0) return;
  const none: LikeParcels = { count: 0, grams: 0, contents: [], over: false };
  const each = fitting(grams, most, left);
  const full = Math.floor(left / each);
  parcels.push(holding(none, line, grams, each, full));
  if (left % each > 0) parcels.push(holding(none, line, grams, left % each, 1));
}

const fitting = (grams: number, room: number, left: number): number =>
  grams === 0 ? left : Math.min(left, Math.floor(room / grams));

const holding = (parcel: LikeParcels, line: number, grams: number, quantity: number, count: number): LikeParcels => ({
  count,
  grams: parcel.grams + grams * quantity,
  contents: [...parcel.contents, [line, quantity]],
  over: false,
});
