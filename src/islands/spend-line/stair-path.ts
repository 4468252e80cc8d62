import { line } from 'd3-shape';
import type { SweepPrice, SweepSegment } from '../../core/sweep/sweep.ts';

type Point = readonly [x: number, y: number];

/** The price that an option has at the beginning and before the end of a stretch; null where it has none. */
export type PriceEnds = (price: SweepPrice) => readonly [first: number, last: number] | null;

/** A price on the straight between a segment's ends. */
function priceAlong({ from, last }: SweepSegment, [first, final]: readonly [number, number], at: number): number {
  return last === from ? first : first + ((final - first) * (at - from)) / (last - from);
}

/**
 * SVG path of an option's prices: a staircase, broken where there is no price, rising where the price rises with the measure.
 *
 * @param x px of a value @param y px of a price @param end of the picture, in the measure
 */
export function stairPath(
  segments: readonly SweepSegment[],
  index: number,
  pick: PriceEnds,
  { x, y, end }: { x: (value: number) => number; y: (price: number) => number; end: number },
): string {
  const points: (Point | null)[] = segments.flatMap((segment): (Point | null)[] => {
    const price = segment.options[index];
    const ends = price ? pick(price) : null;
    if (!ends || segment.from >= end) return [null];
    const until = Math.min(end, segment.to ?? end);
    const last = ends[0] === ends[1] ? ends[0] : priceAlong(segment, ends, until);
    return [
      [x(segment.from), y(ends[0])],
      [x(until), y(last)],
    ];
  });
  const path = line<Point | null>()
    .defined((point) => point !== null)
    .x((point) => point![0])
    .y((point) => point![1])
    .digits(1);
  return path(points) ?? '';
}
