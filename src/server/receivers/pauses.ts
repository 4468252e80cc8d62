/** The pause after the first failure; each further one is twice as long. ms */
const firstPause = 30_000;
/** ms */
const longestPause = 4 * 3_600_000;
/** For so long a call is made again and again. ms */
const longestTrying = 24 * 3_600_000;
/** A receiver that nothing reached for so long is told nothing more. ms */
const longestSilence = 3 * 24 * 3_600_000;

/**
 * When a call is made again that did not arrive.
 *
 * @param tries made so far, 1 at least
 * @param madeAt @param now ms since 1970-01-01T00:00Z
 * @param asked for so long the receiver has asked to be left in peace. ms
 * @returns ms since 1970-01-01T00:00Z; null: never, it has been tried for a day
 */
export function nextTry(tries: number, madeAt: number, now: number, asked = 0): number | null {
  const pause = Math.min(longestPause, firstPause * 2 ** Math.min(tries - 1, 30));
  const next = now + Math.max(pause, Math.min(asked, longestPause));
  return next - madeAt > longestTrying ? null : next;
}

/** Whether a receiver is to be left alone, a call to which has just been given up. */
export const isLeftAlone = (failingSince: number, now: number): boolean => now - failingSince >= longestSilence;

/**
 * For how long an answer asks to be left in peace (Retry-After, RFC 9110, 10.2.3): seconds, or a date.
 *
 * @returns ms; 0: it says nothing
 */
export function askedPause(retryAfter: string | null, now: number): number {
  if (retryAfter === null) return 0;
  const until = /^\d+$/.test(retryAfter) ? now + Number(retryAfter) * 1000 : Date.parse(retryAfter);
  return Number.isNaN(until) ? 0 : Math.max(0, until - now);
}
