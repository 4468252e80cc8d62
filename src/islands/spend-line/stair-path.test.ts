import { describe, expect, test } from 'vitest';
import type { SweepPrice, SweepSegment } from '../../core/sweep/sweep.ts';
import { stairPath } from './stair-path.ts';

const price = (before: number, lastBefore = before): SweepPrice =>
  ({ before, lastBefore, after: before, lastAfter: lastBefore }) as SweepPrice;
const segment = (from: number, to: number | null, option: SweepPrice | null): SweepSegment =>
  ({ from, to, last: to === null ? from + 100 : to - 1, options: [option] }) as unknown as SweepSegment;
const same = { x: (value: number) => value, y: (value: number) => value, end: 200 };
const before = ({ before: first, lastBefore }: SweepPrice) => [first, lastBefore] as const;

describe('the path of an option’s prices', () => {
  test('is level on a stretch and jumps between two', () =>
    expect(stairPath([segment(0, 50, price(7)), segment(50, null, price(5))], 0, before, same)).toBe(
      'M0,7L50,7L50,5L200,5',
    ));
  test('is broken where there is no price', () =>
    expect(
      stairPath([segment(0, 50, price(7)), segment(50, 80, null), segment(80, null, price(3))], 0, before, same),
    ).toBe('M0,7L50,7M80,3L200,3'));
  test('rises with the measure', () =>
    expect(stairPath([segment(0, 101, price(0, 100))], 0, before, same)).toBe('M0,0L101,101'));
  test('ends with the picture', () =>
    expect(stairPath([segment(0, 150, price(1)), segment(250, null, price(2))], 0, before, same)).toBe('M0,1L150,1'));
});
