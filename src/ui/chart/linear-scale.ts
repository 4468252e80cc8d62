import { ticks } from 'd3-array';

type Pair = readonly [number, number];

/** Where values lie on a picture. */
export interface LinearScale {
  (value: number): number;
  /** the value at a place */
  invert: (place: number) => number;
  /** about so many round values */
  ticks: (count: number) => number[];
  range: Pair;
}

const between = ([from, to]: Pair, share: number): number => from * (1 - share) + to * share;
/** In the middle where all is one. */
const shareOf = ([from, to]: Pair, at: number): number => (to === from ? 0.5 : (at - from) / (to - from));

/** Values from the first to the last of `domain`, drawn from the first to the last of `range`, and beyond them likewise. */
export function linearScale(domain: Pair, range: Pair): LinearScale {
  return Object.assign((value: number) => between(range, shareOf(domain, value)), {
    invert: (place: number) => between(domain, shareOf(range, place)),
    ticks: (count: number) => ticks(...domain, count),
    range,
  });
}
