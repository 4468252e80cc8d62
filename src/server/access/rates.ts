import type { AccessKey } from '../../contract/shapes/access-key.ts';
import { callLimiter, overLimit } from '../http/call-rate.ts';
import type { Problem } from '../http/problem.ts';

const limiters = {
  /** of a publishable key, from one address */
  publishable: callLimiter('publishable', 'SUMMANT_RATE_PUBLISHABLE', 3000),
  /** of a secret key */
  secret: callLimiter('secret', 'SUMMANT_RATE_SECRET', 120_000),
  /** keys that are none, from one address */
  unknown: callLimiter('unknown', 'SUMMANT_RATE_UNKNOWN', 30),
};

/** Counts a call. @returns what to answer where there have been too many within a minute; null: it may go on */
export function overRate(key: AccessKey | null, client: string | null): Promise<Problem | null> {
  const from = client ?? 'not known';
  if (!key) return overLimit(limiters.unknown, from);
  return key.kind === 'secret'
    ? overLimit(limiters.secret, key.id)
    : overLimit(limiters.publishable, `${key.id} ${from}`);
}
