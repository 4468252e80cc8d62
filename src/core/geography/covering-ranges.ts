interface Range<Point> {
  from: Point;
  to: Point;
}

/**
 * Answers which of many inclusive ranges that cover a point comes first in a list, in time logarithmic in their number.
 * The ends cut the line into points and the gaps between them; each piece is given to the first range that covers it.
 *
 * @param ranges in order of preference
 */
export function firstCovering<Point extends number | string, R extends Range<Point>>(
  ranges: readonly R[],
): (point: Point) => R | null {
  const ends = [...new Set(ranges.flatMap(({ from, to }) => [from, to]))].sort((a, b) => {
    if (a < b) return -1;
    if (a > b) return 1;
    return 0;
  });
  const indexOf = new Map(ends.map((end, index) => [end, index]));
  // Piece 2i is the end i itself, piece 2i + 1 what lies between it and the next.
  const owner: (R | undefined)[] = new Array<R | undefined>(ends.length * 2).fill(undefined);
  const nextFree = Int32Array.from({ length: owner.length + 1 }, (_, piece) => piece);
  const free = (piece: number): number => {
    let at = piece;
    while (nextFree[at] !== at) at = nextFree[at] = nextFree[nextFree[at]!]!;
    return at;
  };
  for (const range of ranges) {
    const last = indexOf.get(range.to)! * 2;
    for (let piece = free(indexOf.get(range.from)! * 2); piece <= last; piece = free(piece)) {
      owner[piece] = range;
      nextFree[piece] = piece + 1;
    }
  }
  return (point) => {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (ends[middle]! <= point) low = middle + 1;
      else high = middle;
    }
    if (low === 0) return null;
    return owner[ends[low - 1] === point ? (low - 1) * 2 : low * 2 - 1] ?? null;
  };
}
