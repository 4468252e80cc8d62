import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { packFirstFit, type LikeParcels, type Pieces } from './first-fit.ts';

const pieces = (max: number, most = 12): fc.Arbitrary<Pieces[]> =>
  fc
    .array(fc.record({ grams: fc.integer({ min: 0, max }), quantity: fc.integer({ min: 0, max: 40 }) }), {
      maxLength: most,
    })
    .map((list) => list.map((one, line) => ({ ...one, line })));

/** The same piece by piece, into parcels that are written down one by one. */
function onePieceAtATime(list: readonly Pieces[], most: number): number[] {
  const single = list.flatMap(({ grams, quantity }) => new Array<number>(quantity).fill(grams)).sort((a, b) => b - a);
  const parcels: { grams: number; over: boolean }[] = [];
  for (const grams of single) {
    const room = parcels.find((parcel) => !parcel.over && parcel.grams + grams <= most);
    if (grams > most) parcels.push({ grams, over: true });
    else if (room) room.grams += grams;
    else parcels.push({ grams, over: false });
  }
  return parcels.map(({ grams }) => grams);
}

const eachOf = (parcels: readonly LikeParcels[]): number[] =>
  parcels.flatMap(({ count, grams }) => new Array<number>(count).fill(grams));

describe('first fit, the heaviest first', () => {
  test('fills the parcel that was begun first', () => {
    expect(
      packFirstFit(
        [
          { line: 0, grams: 400, quantity: 2 },
          { line: 1, grams: 700, quantity: 1 },
          { line: 2, grams: 300, quantity: 1 },
        ],
        1000,
      ),
    ).toEqual([
      {
        count: 1,
        grams: 1000,
        over: false,
        contents: [
          [1, 1],
          [2, 1],
        ],
      },
      { count: 1, grams: 800, over: false, contents: [[0, 2]] },
    ]);
  });

  test('a piece that is too heavy travels alone, and nothing is put to it', () => {
    expect(
      packFirstFit(
        [
          { line: 0, grams: 1200, quantity: 2 },
          { line: 1, grams: 0, quantity: 3 },
        ],
        1000,
      ),
    ).toEqual([
      { count: 2, grams: 1200, over: true, contents: [[0, 1]] },
      { count: 1, grams: 0, over: false, contents: [[1, 3]] },
    ]);
  });

  test('without a limit everything is one parcel; nothing is none', () => {
    fc.assert(
      fc.property(pieces(50_000), (list) => {
        const there = list.some(({ quantity }) => quantity > 0);
        expect(eachOf(packFirstFit(list, Infinity)).length).toBe(there ? 1 : 0);
      }),
    );
  });

  test('comes to what pieces put in one by one come to, and loses none', () => {
    fc.assert(
      fc.property(pieces(1200), fc.integer({ min: 0, max: 3000 }), (list, most) => {
        const parcels = packFirstFit(list, most);
        expect(eachOf(parcels)).toEqual(onePieceAtATime(list, most));
        const packed = new Map<number, number>();
        for (const { count, contents } of parcels)
          for (const [line, quantity] of contents) packed.set(line, (packed.get(line) ?? 0) + quantity * count);
        for (const { line, quantity } of list) expect(packed.get(line) ?? 0).toBe(quantity);
      }),
      { numRuns: 500 },
    );
  });

  test('a million pieces are as soon packed as a few', () => {
    const parcels = packFirstFit(
      [
        { line: 0, grams: 310, quantity: 1_000_000 },
        { line: 1, grams: 90, quantity: 1_000_000 },
      ],
      1000,
    );
    expect(parcels.length).toBeLessThan(6);
    expect(eachOf(parcels.map((parcel) => ({ ...parcel, count: 1 }))).every((grams) => grams <= 1000)).toBe(true);
  });
});
