// Sources: G. Dósa, “The tight bound of first fit decreasing bin-packing algorithm is FFD(I) ≤ 11/9 OPT(I) + 6/9” (2007); the family
// of lists on which first fit decreasing needs 11 parcels for 9, from D. S. Johnson’s thesis (1973); E. Falkenauer’s triplets (1996),
// whose optimum is known since each parcel was cut into three. Values from memory.
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { packFirstFit } from '../../src/core/packing/first-fit.ts';
import { seededRandom } from '../../src/core/statistics/random.ts';

const parcelsOf = (grams: readonly number[], most: number): number =>
  packFirstFit(
    grams.map((one, line) => ({ line, grams: one, quantity: 1 })),
    most,
  ).reduce((sum, { count }) => sum + count, 0);

const bound = (optimum: number): number => (11 * optimum + 6) / 9;

/** The fewest parcels, by trying every piece in every parcel begun and in a new one. */
function fewest(grams: readonly number[], most: number): number {
  let best = grams.length;
  const rooms: number[] = [];
  const place = (at: number) => {
    if (rooms.length >= best) return;
    if (at === grams.length) {
      best = rooms.length;
      return;
    }
    for (let i = 0; i < rooms.length; i++) {
      if (rooms[i]! < grams[at]!) continue;
      rooms[i]! -= grams[at]!;
      place(at + 1);
      rooms[i]! += grams[at]!;
    }
    rooms.push(most - grams[at]!);
    place(at + 1);
    rooms.pop();
  };
  place(0);
  return best;
}

describe('first fit decreasing', () => {
  test('is never above 11/9 of the optimum and 6/9, up to nine pieces by trying all', () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 1, max: 60 })
          .chain((most) =>
            fc.tuple(fc.constant(most), fc.array(fc.integer({ min: 1, max: most }), { minLength: 1, maxLength: 9 })),
          ),
        ([most, grams]) => {
          const optimum = fewest(grams, most);
          const packed = parcelsOf(grams, most);
          expect(packed).toBeGreaterThanOrEqual(optimum);
          expect(packed).toBeLessThanOrEqual(bound(optimum));
        },
      ),
      { numRuns: 400 },
    );
  });

  test.each([1, 2, 5, 20])('needs exactly 11 parcels for 9 on the lists made for it, %i times over', (n) => {
    // Pieces of 1/2 + e, 1/4 + 2e, 1/4 + e and 1/4 - 2e of a parcel of 1000, e = 1/100.
    const list = [
      ...new Array<number>(6 * n).fill(510),
      ...new Array<number>(6 * n).fill(270),
      ...new Array<number>(6 * n).fill(260),
      ...new Array<number>(12 * n).fill(230),
    ];
    expect(parcelsOf(list, 1000)).toBe(11 * n);
    // Six parcels of 510 + 260 + 230, three of 270 + 270 + 230 + 230.
    expect(6 * n + 3 * n).toBe(list.reduce((sum, grams) => sum + grams, 0) / 1000);
  });

  test('stays within the bound on triplets, whose optimum is a third of the pieces', () => {
    const random = seededRandom(7);
    for (const count of [20, 40, 83, 167]) {
      const grams = Array.from({ length: count }, () => {
        const first = 380 + Math.floor(random() * 111);
        const second = 250 + Math.floor(random() * ((1000 - first) / 2 - 250));
        return [first, second, 1000 - first - second];
      }).flat();
      const packed = parcelsOf(grams, 1000);
      expect(packed).toBeGreaterThanOrEqual(count);
      expect(packed).toBeLessThanOrEqual(bound(count));
    }
  });
});
