import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';
import type { AccessKey } from '../../contract/shapes/access-key.ts';
import type { Problem } from '../http/problem.ts';

/**
 * Counted in the memory of each process, as a write to the database for each quote would cost more than the quote: several
 * processes allow so much each.
 */
const limiter = (keyPrefix: string, variable: string, usual: number) =>
  new RateLimiterMemory({ keyPrefix, points: pointsFrom(variable, usual), duration: 60 });

/** A whole number of calls a minute; what is no such number is not taken. */
function pointsFrom(variable: string, usual: number): number {
  const said = Number(process.env[variable] ?? usual);
  return Number.isInteger(said) && said > 0 ? said : usual;
}

const limiters = {
  /** of a publishable key, from one address */
  publishable: limiter('publishable', 'SUMMANT_RATE_PUBLISHABLE', 3000),
  /** of a secret key */
  secret: limiter('secret', 'SUMMANT_RATE_SECRET', 120_000),
  /** keys that are none, from one address */
  unknown: limiter('unknown', 'SUMMANT_RATE_UNKNOWN', 30),
};

/** Counts a call. @returns what to answer where there have been too many within a minute; null: it may go on */
export async function overRate(key: AccessKey | null, client: string | null): Promise<Problem | null> {
  const from = client ?? 'not known';
  try {
    if (!key) await limiters.unknown.consume(from);
    else if (key.kind === 'secret') await limiters.secret.consume(key.id);
    else await limiters.publishable.consume(`${key.id} ${from}`);
    return null;
  } catch (error) {
    if (error instanceof Error) throw error;
    const seconds = Math.max(1, Math.ceil((error as RateLimiterRes).msBeforeNext / 1000));
    return {
      status: 429,
      title: 'Too many calls',
      detail: `Nothing was done. Call again in ${seconds} s.`,
      headers: { 'retry-after': String(seconds) },
    };
  }
}
