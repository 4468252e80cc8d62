import { expect, test } from 'vitest';
import { may, roles, type Need } from './roles.ts';

test('each role may what those before it may, and nobody known only what is for anyone', () => {
  const needs: Need[] = ['anyone', ...roles];
  expect([null, ...roles].map((role) => needs.map((need) => (may(role, need) ? 1 : 0)).join(''))).toEqual([
    '10000',
    '11000',
    '11100',
    '11110',
    '11111',
  ]);
});
