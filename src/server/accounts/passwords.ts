import { hash, verify, type Options } from '@node-rs/argon2';

/**
 * Argon2id (RFC 9106) with 19 MiB, two passes and one lane, as the OWASP Password Storage Cheat Sheet advises.
 * Two of these kept a core busy for as long as a thousand quotes: they are worked out one at a time, on a thread of their own.
 */
export const hashing: Options = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Tries that are looked at or wait for it at once; beyond, whoever comes is told to come again. */
const mostAtOnce = 8;
/** As many more, of addresses from which somebody is signed in: whoever tries passwords from everywhere locks nobody out of the office. */
const mostKnown = 8;
let [atOnce, known] = [0, 0];

/** Hashes that wait for their turn, with those of new passwords. */
const mostWaiting = 24;
/** Where so many wait passwords are being tried, and quotes go first: the hashing takes no more than this share of a core. */
const [crowd, shareOfCore] = [3, 0.1];
let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** Whether only addresses from which somebody is signed in have room left. */
export const isFull = (): boolean => atOnce >= mostAtOnce;

/** More tries than can be looked at. */
export class TooManyTries extends Error {}

/**
 * Looks at a try where there is room for it.
 *
 * @param isKnown whether somebody is signed in from there; asked only where it matters @throws TooManyTries
 */
export async function whereThereIsRoom<T>(isKnown: () => Promise<boolean>, look: () => Promise<T>): Promise<T> {
  if (!isFull()) {
    atOnce++;
    return look().finally(() => atOnce--);
  }
  if (!(await isKnown()) || known >= mostKnown) throw new TooManyTries();
  known++;
  return look().finally(() => known--);
}

/** @throws TooManyTries */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (waiting >= mostWaiting) throw new TooManyTries();
  waiting++;
  const began = last.then(() => performance.now());
  const done = last.then(work, work).finally(() => waiting--);
  last = Promise.all([began, done.catch(() => {})]).then(([from]) => rest(performance.now() - from));
  return done;
}

/** @param took ms */
const rest = (took: number): Promise<void> =>
  waiting < crowd
    ? Promise.resolve()
    : new Promise((resolve) => setTimeout(resolve, took * (1 / shareOfCore - 1)).unref());

/** One password has one form, however it was typed (Unicode NFC). */
const asKept = (password: string): string => password.normalize('NFC');

/** @throws TooManyTries */
export const hashPassword = async (password: string): Promise<string> => inTurn(() => hash(asKept(password), hashing));

/** Of no account: whoever is not known is looked at for as long as somebody who is. */
let ofNobody: Promise<string> | null = null;
const hashOfNobody = (): Promise<string> =>
  hashPassword(crypto.randomUUID()).catch((error: unknown) => {
    ofNobody = null;
    throw error;
  });

/** @param kept the hash of an account; null: there is no such account @throws TooManyTries */
export async function isPassword(kept: string | null, password: string): Promise<boolean> {
  const against = kept ?? (await (ofNobody ??= hashOfNobody()));
  const same = await inTurn(() => verify(against, asKept(password)));
  return same && kept !== null;
}
