import { expect, test } from 'vitest';
import { denied } from './denied.ts';

test.each([
  ['the shopper is signed in', 'the shopper is not signed in'],
  ['it is the shopper’s first order', 'it is not the shopper’s first order'],
  ['the shopper buys for a business', 'the shopper does not buy for a business'],
  ['the postcode matches 17* or 18*', 'the postcode does not match 17* or 18*'],
  ['the cart contains the products “is”', 'the cart does not contain the products “is”'],
  ['the cart contains none of goods tagged “long”', 'the cart contains some of goods tagged “long”'],
  ['the number of items is more than 2, which is at least 3', 'the number of items is not more than 2'],
  ['the weight is known and is not 5 g', 'the weight is not known, or is 5 g'],
  ['the destination’s zone is not “Islands”', 'the destination’s zone is “Islands”'],
  ['never', 'not so that never'],
])('“%s” is denied as “%s”', (clause, words) => expect(denied(clause)).toBe(words));
