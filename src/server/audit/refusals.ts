import { RateLimiterMemory } from 'rate-limiter-flexible';
import type { Person } from '../accounts/person.ts';
import { log } from '../log.ts';
import { addEntry } from './audit-store.ts';

/** The same refusal of the same person is kept once in so long: a page that asks again and again would fill the audit. s */
const onceIn = 600;
/** Of one person within that time, whatever it was. */
const mostOfOne = 30;
const kept = new RateLimiterMemory({ keyPrefix: 'refused', points: 1, duration: onceIn });
const ofOne = new RateLimiterMemory({ keyPrefix: 'refusedOne', points: mostOfOne, duration: onceIn });

/**
 * Keeps that somebody was refused what others may (OWASP ASVS 5.0, 16.3.2).
 *
 * @param what it would have been, in words
 */
export async function noteRefusal(
  { name, signedIn }: Pick<Person, 'name' | 'signedIn'>,
  address: string | null,
  what: string,
): Promise<void> {
  if (!signedIn) return;
  try {
    await kept.consume(`${signedIn.accountId} ${what}`);
    await ofOne.consume(signedIn.accountId);
  } catch {
    return;
  }
  try {
    await addEntry({ kind: 'refused', person: name, address: address ?? '', what: `Was refused: ${what}` });
  } catch (error) {
    log.error({ err: String(error), what }, 'a refusal could not be kept');
  }
}
