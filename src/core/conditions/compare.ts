import type { Comparison } from '../policy/types.ts';

/** A comparison of a whole or decimal number as an inclusive range, inverted for “is not”. */
export interface ComparedRange {
  atLeast: number;
  atMost: number;
  inverted: boolean;
}

/**
 * A comparison as a range. On money and counts, whose smallest difference is 1, “more than x” means at least x + 1
 * and “less than x” at most x − 1 (2-domain §5).
 *
 * @param smallest the smallest difference of the fact; 0 for one that is not in whole units, such as a distance
 */
export function rangeOf(operator: Comparison, value: number, to: number | undefined, smallest: 0 | 1): ComparedRange {
  const open = { atLeast: -Infinity, atMost: Infinity, inverted: false };
  switch (operator) {
    case 'is':
      return { ...open, atLeast: value, atMost: value };
    case 'isNot':
      return { atLeast: value, atMost: value, inverted: true };
    case 'atLeast':
      return { ...open, atLeast: value };
    case 'atMost':
      return { ...open, atMost: value };
    case 'moreThan':
      return { ...open, atLeast: smallest === 1 ? Math.floor(value) + 1 : nextUp(value) };
    case 'lessThan':
      return { ...open, atMost: smallest === 1 ? Math.ceil(value) - 1 : nextDown(value) };
    case 'between':
      return { atLeast: value, atMost: to ?? value, inverted: false };
  }
}

export function isInRange({ atLeast, atMost, inverted }: ComparedRange, value: number): boolean {
  return (value >= atLeast && value <= atMost) !== inverted;
}

/** The next larger double. Source: IEEE 754-2019 §5.3.1, nextUp. */
export function nextUp(value: number): number {
  if (value === 0) return Number.MIN_VALUE;
  const view = new DataView(new ArrayBuffer(8));
  view.setFloat64(0, value);
  view.setBigInt64(0, view.getBigInt64(0) + (value > 0 ? 1n : -1n));
  return view.getFloat64(0);
}

function nextDown(value: number): number {
  return -nextUp(-value);
}
