import { RateLimiterMemory } from 'rate-limiter-flexible';
import { log } from '../log.ts';
import { addEntry } from './audit-store.ts';

/** The same refusal of the same person is kept once in so long: a page that asks again and again would fill the audit. s */
const onceIn = 600;
/** Of one person within that time, whatever it was. */
const mostOfOne = 30;
const kept = new RateLimiterMemory({ keyPrefix: 'refused', points: 1, duration: onceIn });
const ofOne = new RateLimiterMemory({ keyPrefix: 'refusedOne', points: mostOfOne, duration: onceIn });

/** Somebody who was not let do something. */
interface Refused {
  accountId: string;
  person: string;
  address: string | null;
  /** what it would have been, in words */
  what: string;
}

/** Keeps that somebody was refused what others may (OWASP ASVS 5.0, 16.3.2). */
export async function noteRefusal({ accountId, person, address, what }: Refused): Promise<void> {
  try {
    await kept.consume(`${accountId} ${what}`);
    await ofOne.consume(accountId);
  } catch {
    return;
  }
  try {
    await addEntry({ kind: 'refused', person, address: address ?? '', what: `Was refused: ${what}` });
  } catch (error) {
    log.error({ err: String(error), what }, 'a refusal could not be kept');
  }
}
