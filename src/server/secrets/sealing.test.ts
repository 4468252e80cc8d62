import { randomBytes } from 'node:crypto';
import { expect, test } from 'vitest';
import { isSealed, seal, SealProblem, secretKey, unseal } from './sealing.ts';

const key = randomBytes(32);
const secret = Buffer.from('of a carrier, not to be read');

test('what is sealed is read with its key and for its purpose alone', () => {
  const sealed = seal(secret, 'carrier', key);
  expect(sealed.includes(secret)).toBe(false);
  expect(unseal(sealed, 'carrier', key)).toEqual(secret);
  // Each time another: whoever sees two cannot tell that they are the same.
  expect(seal(secret, 'carrier', key)).not.toEqual(sealed);
  expect(() => unseal(sealed, 'carrier', randomBytes(32))).toThrow(SealProblem);
  expect(() => unseal(sealed, 'receiver', key)).toThrow(SealProblem);
  expect(() => unseal(sealed, 'carrier', null)).toThrow('is not set');
});

test('whatever is changed in it is found out', () => {
  const sealed = seal(secret, 'signing', key);
  for (let at = 3; at < sealed.length; at++) {
    const changed = Buffer.from(sealed);
    changed[at]! ^= 1;
    expect(() => unseal(changed, 'signing', key), String(at)).toThrow(SealProblem);
  }
  for (const length of [3, 10, 31, sealed.length - 1])
    expect(() => unseal(sealed.subarray(0, length), 'signing', key), String(length)).toThrow();
});

test('without a key secrets stay as they are', () => {
  expect(seal(secret, 'signing', null)).toBe(secret);
  expect(unseal(secret, 'signing', key)).toBe(secret);
  expect([isSealed(secret), isSealed(seal(secret, 'signing', key))]).toEqual([false, true]);
});

test('a key is 64 hexadecimal digits, or none', () => {
  expect([secretKey(undefined), secretKey('')]).toEqual([null, null]);
  expect(secretKey(key.toString('hex'))).toEqual(key);
  for (const text of ['x', key.toString('hex').slice(1), key.toString('base64')])
    expect(() => secretKey(text)).toThrow('openssl rand');
});
