import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { mostLevels, placeNames } from './pennant-names.ts';

describe('names of pennants', () => {
  test('stand to the right, and to the left where the picture ends', () => {
    expect(placeNames([{ name: 'First order', x: 100 }], 800)).toEqual([
      { level: 0, side: 'right', text: 'First order' },
    ]);
    expect(placeNames([{ name: 'First order', x: 780 }], 800)[0]?.side).toBe('left');
  });
  test('rise where the next would lie over them', () => {
    const [first, second] = placeNames(
      [
        { name: 'First order', x: 100 },
        { name: 'Members sooner', x: 130 },
      ],
      800,
    );
    expect([first?.level, second?.level]).not.toEqual([0, 0]);
    expect(second).not.toBeNull();
  });
  test('a long one is cut, and says so', () =>
    expect(placeNames([{ name: 'A name of more letters than there is room', x: 0 }], 800)[0]?.text).toBe(
      'A name of more letter…',
    ));
  test('never lie over one another', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ name: fc.string({ minLength: 1, maxLength: 30 }), x: fc.integer({ min: 40, max: 900 }) }),
          {
            maxLength: 25,
          },
        ),
        (pennants) => {
          const placed = placeNames(pennants, 900).flatMap((place, index) =>
            place ? [{ ...place, x: pennants[index]!.x }] : [],
          );
          const spans = placed.map(({ level, side, text, x }) => ({
            level,
            from: side === 'right' ? x : x - text.length * 5.4,
            to: side === 'right' ? x + 14 + text.length * 5.4 : x + 14,
          }));
          for (const [i, one] of spans.entries()) {
            expect(one.level).toBeLessThan(mostLevels);
            for (const other of spans.slice(0, i))
              if (other.level === one.level) expect(one.from >= other.to || one.to <= other.from).toBe(true);
          }
        },
      ),
    ));
});
