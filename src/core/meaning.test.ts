import { expect, test } from 'vitest';
import { meaningOf } from './meaning.ts';

test.each<[unknown, unknown, boolean]>([
  [{ a: 1, b: { c: [2] } }, { b: { c: [2] }, a: 1 }, true],
  [{ a: 1, b: undefined }, { a: 1 }, true],
  [
    { l1: { order: 1, price: 5 }, l2: { order: 2, price: 6 } },
    { z: { order: 9, price: 6 }, y: { price: 5, order: 3 } },
    true,
  ],
  [
    { l1: { order: 1, price: 5 }, l2: { order: 2, price: 6 } },
    { l1: { order: 2, price: 5 }, l2: { order: 1, price: 6 } },
    false,
  ],
  [[1, 2], [2, 1], false],
  [{}, [], false],
  [undefined, null, false],
])('%j and %j mean the same: %s', (a, b, expected) => expect(meaningOf(a) === meaningOf(b)).toBe(expected));
