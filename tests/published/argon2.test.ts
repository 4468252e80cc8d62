import { expect, test } from 'vitest';
import { hashing, isPassword } from '../../src/server/accounts/passwords.ts';

/**
 * Argon2id by the tests of its reference implementation (phc-winner-argon2, test.c; values from memory). Those of RFC 9106 itself bind
 * associated data, which the package does not take.
 */
const known = [
  ['password', '$argon2id$v=19$m=65536,t=1,p=1$c29tZXNhbHQ$9qWtwbpyPd3vm1rB1GThgPzZ3/ydHL92zKL+15XZypg'],
  ['password', '$argon2id$v=19$m=256,t=2,p=1$c29tZXNhbHQ$nf65EOgLrQMR/uIPnA4rEsF5h7TKyQwu9U1bMCHGi/4'],
  ['password', '$argon2id$v=19$m=256,t=2,p=2$c29tZXNhbHQ$bQk8UB/VmZZF4Oo79iDXuL5/0ttZwg2f/5U52iv1cDc'],
  ['password', '$argon2id$v=19$m=65536,t=4,p=1$c29tZXNhbHQ$kCXUjmjvc5XMqQedpMTsOv+zyJEf5PhtGiUghW9jFyw'],
  ['differentpassword', '$argon2id$v=19$m=65536,t=2,p=1$c29tZXNhbHQ$C4TWUs9rDEvq7w3+J4umqA32aWKB1+DSiRuBfYxFj94'],
  ['password', '$argon2id$v=19$m=65536,t=2,p=1$ZGlmZnNhbHQ$vfMrBczELrFdWP0ZsfhWsRPaHppYdP3MVEMIVlqoFBw'],
] as const;

test.each(known)('%s is known by %s, and nothing else is', async (password, kept) => {
  expect(await isPassword(kept, password)).toBe(true);
  expect(await isPassword(kept, `${password} `)).toBe(false);
});

test('passwords are hashed as the OWASP Password Storage Cheat Sheet advises at least', () => {
  // One of its equal choices for Argon2id: 19 MiB, two passes, one lane (from memory).
  expect(hashing).toMatchObject({ memoryCost: 19 * 1024, timeCost: 2, parallelism: 1 });
});
