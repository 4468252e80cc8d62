import { roundest } from '../orders/roundest.ts';

/** A boundary lies above `after`, which was still on its lower side, and at most at `until`, which was on its upper. */
export interface Gap {
  after: number;
  until: number;
}

/**
 * Between which values an edge lies: the highest below it that pays the price before, and the lowest from it on that pays the
 * price after. Orders that pay anything else say nothing of it.
 *
 * @param begin where the part after the edge begins
 */
export function gapAround(
  { measured, paid }: { measured: ArrayLike<number>; paid: ArrayLike<number> },
  begin: number,
  prices: { before: number; after: number },
): Gap {
  let below = begin - 1;
  while (below > 0 && paid[below] !== prices.before) below--;
  let above = begin;
  while (above < measured.length - 1 && paid[above] !== prices.after) above++;
  return { after: measured[below]!, until: measured[above]! };
}

/** The roundest whole amount at which the boundary may lie. */
export const roundestIn = ({ after, until }: Gap): number => roundest(Math.floor(after) + 1, until, until) ?? until;
