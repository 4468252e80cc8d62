import { expect, test } from 'vitest';
import { LinkTakenShape, longestPassword, shortestPassword } from '../../contract/shapes/account.ts';
import * as limits from './limits.ts';

test('fields are bounded as the contract bounds what they send', () => {
  expect([limits.shortestPassword, limits.longestPassword]).toEqual([shortestPassword, longestPassword]);
  const { name, signIn } = LinkTakenShape.properties;
  expect([limits.longestName, limits.longestSignIn]).toEqual([name.maxLength, signIn.maxLength]);
});
