import { expect, test } from 'vitest';
import { same } from './same.ts';

test.each([
  [{ a: 1, b: [2, { c: null }] }, { b: [2, { c: null }], a: 1 }, true],
  [{ a: 1 }, { a: 1, b: undefined }, false],
  [[1, 2], [2, 1], false],
  [[], {}, false],
  [null, {}, false],
  [{ toString: 1 }, { valueOf: 1 }, false],
])('%j and %j: %s', (a, b, expected) => expect([same(a, b), same(b, a)]).toEqual([expected, expected]));
