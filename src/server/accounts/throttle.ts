import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';
import { isProblem, type Problem } from '../http/problem.ts';
import { TooManyTries, whereThereIsRoom } from './passwords.ts';

/**
 * Wrong tries, counted in the memory of each process as keys are. An account that is tried from everywhere is shut for a while even to
 * who owns it; from one address that happens sooner, and only to that address. s
 */
const limiters = {
  /** of one account, or of what is no account, from one address */
  pair: new RateLimiterMemory({ keyPrefix: 'pair', points: 5, duration: 15 * 60 }),
  /** of one account from anywhere */
  account: new RateLimiterMemory({ keyPrefix: 'account', points: 100, duration: 60 * 60 }),
  /** from one address, of whatever */
  address: new RateLimiterMemory({ keyPrefix: 'address', points: 30, duration: 15 * 60 }),
};

/** What anyone may have begun from one address, right or wrong: each leaves something that is kept for minutes. */
const begun = new RateLimiterMemory({ keyPrefix: 'begun', points: 60, duration: 5 * 60 });

/** Who tries what. */
export interface Try {
  /** an account by what is typed to sign in; null: a link, which is too long to be guessed */
  of: string | null;
  from: string | null;
}

function keysOf({ of, from }: Try): [RateLimiterMemory, string][] {
  const address = from ?? 'not known';
  const ofAccount: [RateLimiterMemory, string][] =
    of === null
      ? []
      : [
          [limiters.pair, `${address} ${of}`],
          [limiters.account, of],
        ];
  return [...ofAccount, [limiters.address, address]];
}

/** Counts a try before it is looked at, so that many at once count as many. @returns what to answer where there have been too many; null: it may be looked at */
async function countTry(tried: Try): Promise<Problem | null> {
  for (const [limiter, key] of keysOf(tried)) {
    const over = await counted(limiter, key);
    if (over) return over;
  }
  return null;
}

/** @returns what to answer where there have been too many; null: it is counted */
async function counted(limiter: RateLimiterMemory, key: string): Promise<Problem | null> {
  const over = await limiter.consume(key).then(
    () => null,
    (error: Error | RateLimiterRes) => error,
  );
  if (over instanceof Error) throw over;
  return over && later(over.msBeforeNext);
}

/** It counts no more. @param right neither do wrong ones before it of this account from this address */
async function forgetTry(tried: Try, right: boolean): Promise<void> {
  for (const [limiter, key] of keysOf(tried))
    await (right && limiter === limiters.pair ? limiter.delete(key) : limiter.reward(key));
}

/** Begins what leaves something behind, where not too much has been begun from the same address. */
export async function begin<T extends object>(from: string | null, work: () => Promise<T>): Promise<T | Problem> {
  return (await counted(begun, from ?? 'not known')) ?? work();
}

const later = (ms: number): Problem => {
  const minutes = Math.max(1, Math.ceil(ms / 60_000));
  return {
    status: 429,
    title: 'Too many tries',
    detail: `Nothing was changed. Try again in ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}.`,
    headers: { 'retry-after': String(Math.max(1, Math.ceil(ms / 1000))) },
  };
};

/** Looks at a try where that may be. @returns what `look` says, or why it was not looked at */
export async function throttled<T extends object>(tried: Try, look: () => Promise<T | Problem>): Promise<T | Problem> {
  const over = await countTry(tried);
  if (over) return over;
  try {
    const found = await look();
    if (!isProblem(found)) await forgetTry(tried, true);
    return found;
  } catch (error) {
    // It has not been looked at.
    await forgetTry(tried, false);
    return laterWhereFull(error);
  }
}

/**
 * Looks at a try of a password where there is room for it, before anything is counted: a flood of tries costs next to nothing.
 *
 * @param isKnown whether somebody is signed in from where it comes from
 */
export async function throttledWithRoom<T extends object>(
  tried: Try,
  isKnown: () => Promise<boolean>,
  look: () => Promise<T | Problem>,
): Promise<T | Problem> {
  try {
    return await whereThereIsRoom(isKnown, () => throttled(tried, look));
  } catch (error) {
    return laterWhereFull(error);
  }
}

/** Told to whoever finds no room. */
export const noRoom: Problem = later(0);

/** @throws whatever else went wrong */
function laterWhereFull(error: unknown): Problem {
  if (error instanceof TooManyTries) return noRoom;
  throw error;
}
