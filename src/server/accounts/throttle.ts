import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';
import type { Problem } from '../http/problem.ts';
import { TooManyTries } from './passwords.ts';

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

/** Who tries what: an account by what is typed to sign in, or a link. */
export interface Try {
  of: string;
  from: string | null;
}

const keysOf = ({ of, from }: Try) =>
  [
    [limiters.pair, `${from ?? 'not known'} ${of}`],
    [limiters.account, of],
    [limiters.address, from ?? 'not known'],
  ] as const;

/** What to answer where there have been too many wrong tries; null: one more may be looked at. Costs next to nothing. */
export async function tooManyTries(tried: Try): Promise<Problem | null> {
  for (const [limiter, key] of keysOf(tried)) {
    const known = await limiter.get(key);
    if (known && known.remainingPoints <= 0) return later(known.msBeforeNext);
  }
  return null;
}

/** Counts a try before it is looked at, so that many at once count as many. */
export async function countTry(tried: Try): Promise<void> {
  for (const [limiter, key] of keysOf(tried))
    await limiter.consume(key).catch((error: Error | RateLimiterRes) => {
      if (error instanceof Error) throw error;
    });
}

/** It was right: what was counted of this account from this address counts no more. */
export async function forgetTries(tried: Try): Promise<void> {
  const [[pair, key], ...others] = keysOf(tried);
  await pair.delete(key);
  for (const [limiter, other] of others) await limiter.reward(other);
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
export async function throttled<T>(tried: Try, look: () => Promise<T>): Promise<T | Problem> {
  const over = await tooManyTries(tried);
  if (over) return over;
  await countTry(tried);
  try {
    return await look();
  } catch (error) {
    if (error instanceof TooManyTries) return later(0);
    throw error;
  }
}
