import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto';

/** What a secret is for: one that is moved to another place is not taken there. */
export type Purpose = 'signing' | 'receiver' | 'carrier';

/** What begins a secret that is sealed; none that Summant makes or takes begins so. */
const mark = Buffer.from([0x00, 0x53, 0x01]);
const [nonceLength, tagLength] = [12, 16];

/** Secrets cannot be read, or not be written as they should be: whoever started Summant can do something about it. */
export class SealProblem extends Error {}

/** The key of the environment, 32 bytes; null: secrets are kept as they are. @throws SealProblem for what is no key */
export function secretKey(text = process.env.SUMMANT_SECRET_KEY): Buffer | null {
  if (text === undefined || text === '') return null;
  if (!/^[0-9a-f]{64}$/i.test(text))
    throw new SealProblem('SUMMANT_SECRET_KEY takes 64 hexadecimal digits, as `openssl rand -hex 32` makes them.');
  return Buffer.from(text, 'hex');
}

export const isSealed = (stored: Buffer): boolean => stored.subarray(0, mark.length).equals(mark);

/** A secret as it is stored: by AES-256-GCM (NIST SP 800-38D) with a nonce of its own, where there is a key. */
export function seal(secret: Buffer, purpose: Purpose, key = secretKey()): Buffer {
  if (!key) return secret;
  const nonce = randomBytes(nonceLength);
  const cipher = createCipheriv('aes-256-gcm', key, nonce).setAAD(Buffer.from(purpose));
  const sealed = Buffer.concat([cipher.update(secret), cipher.final()]);
  return Buffer.concat([mark, nonce, cipher.getAuthTag(), sealed]);
}

/** @throws SealProblem where it is sealed with a key that is not there */
export function unseal(stored: Buffer, purpose: Purpose, key = secretKey()): Buffer {
  if (!isSealed(stored)) return stored;
  if (!key)
    throw new SealProblem(
      'Secrets in the database are sealed, and SUMMANT_SECRET_KEY is not set. Nothing was changed.',
    );
  const at = mark.length;
  const nonce = stored.subarray(at, at + nonceLength);
  const tag = stored.subarray(at + nonceLength, at + nonceLength + tagLength);
  const decipher = createDecipheriv('aes-256-gcm', key, nonce, { authTagLength: tagLength })
    .setAAD(Buffer.from(purpose))
    .setAuthTag(tag);
  try {
    return Buffer.concat([decipher.update(stored.subarray(at + nonceLength + tagLength)), decipher.final()]);
  } catch {
    throw new SealProblem('Secrets in the database are sealed with another SUMMANT_SECRET_KEY. Nothing was changed.');
  }
}
