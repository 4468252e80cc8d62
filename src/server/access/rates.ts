import type { AccessKey } from '../../contract/shapes/access-key.ts';
import { callLimiter, overLimit } from '../http/call-rate.ts';
import type { Problem } from '../http/problem.ts';

const limiters = {
  /** of a publishable key, from one address */
  publishable: callLimiter('SUMMANT_RATE_PUBLISHABLE', 3000),
  /** of a secret key */
  secret: callLimiter('SUMMANT_RATE_SECRET', 120_000),
  /** keys that are none, from one address */
  unknown: callLimiter('SUMMANT_RATE_UNKNOWN', 30),
};

/** Tells the address of whoever asks; null: it is not known. */
export type Client = () => string | null;

/** Counts a call. @returns what to answer where there have been too many within a minute; null: it may go on */
export function overRate(key: AccessKey | null, client: Client): Problem | null {
  if (key?.kind === 'secret') return overLimit(limiters.secret, key.id);
  const from = client() ?? 'not known';
  return key ? overLimit(limiters.publishable, `${key.id} ${from}`) : overLimit(limiters.unknown, from);
}
