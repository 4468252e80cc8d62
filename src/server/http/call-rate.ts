import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';
import type { Problem } from './problem.ts';

/**
 * Counts calls in the memory of each process, as a write to the database for each would cost more than most calls: several processes
 * allow so much each.
 *
 * @param variable of the environment that says otherwise @param usual calls a minute
 */
export const callLimiter = (keyPrefix: string, variable: string, usual: number): RateLimiterMemory =>
  new RateLimiterMemory({ keyPrefix, points: pointsFrom(variable, usual), duration: 60 });

/** A whole number of calls a minute; what is no such number is not taken. */
function pointsFrom(variable: string, usual: number): number {
  const said = Number(process.env[variable] ?? usual);
  return Number.isInteger(said) && said > 0 ? said : usual;
}

/** Counts a call. @returns what to answer where there have been too many within a minute; null: it may go on */
export const overLimit = (limiter: RateLimiterMemory, key: string): Promise<Problem | null> =>
  limiter.consume(key).then(within, over);

const within = (): null => null;

function over(error: unknown): Problem {
  if (error instanceof Error) throw error;
  const seconds = Math.max(1, Math.ceil((error as RateLimiterRes).msBeforeNext / 1000));
  return {
    status: 429,
    title: 'Too many calls',
    detail: `Nothing was done. Call again in ${seconds} s.`,
    headers: { 'retry-after': String(seconds) },
  };
}
