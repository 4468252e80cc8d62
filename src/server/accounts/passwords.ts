import { hash, verify, type Options } from '@node-rs/argon2';

/**
 * Argon2id (RFC 9106) with 19 MiB, two passes and one lane, as the OWASP Password Storage Cheat Sheet advises.
 * Two of these kept a core busy for as long as a thousand quotes: they are worked out one at a time, on a thread of their own.
 */
export const hashing: Options = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** So many may wait for their turn; beyond, whoever comes is told to come again. */
const mostWaiting = 8;
let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** More tries than can be looked at. */
export class TooManyTries extends Error {}

function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (waiting >= mostWaiting) throw new TooManyTries();
  waiting++;
  const done = last.then(work, work).finally(() => waiting--);
  last = done.catch(() => {});
  return done;
}

/** One password has one form, however it was typed (Unicode NFC). */
const asKept = (password: string): string => password.normalize('NFC');

/** @throws TooManyTries */
export const hashPassword = async (password: string): Promise<string> => inTurn(() => hash(asKept(password), hashing));

/** Of no account: whoever is not known is looked at for as long as somebody who is. */
let ofNobody: Promise<string> | null = null;

/** @param kept the hash of an account; null: there is no such account @throws TooManyTries */
export async function isPassword(kept: string | null, password: string): Promise<boolean> {
  const against = kept ?? (await (ofNobody ??= hashPassword(crypto.randomUUID())));
  const same = await inTurn(() => verify(against, asKept(password)));
  return same && kept !== null;
}
