import type { Problem } from './problem.ts';

/** Calls are counted by minutes that begin with the first one. ms */
const counted = 60_000;
/** So many who call are kept count of at once; of more, those whose minute began first begin anew. */
const mostCounted = 100_000;

/**
 * Counts calls in the memory of each process, as a write to the database for each would cost more than most calls: several processes
 * allow so much each. At once, since to wait for a count costs a quote more than the count does.
 */
export class CallLimiter {
  readonly #most: number;
  readonly #minutes = new Map<string, { calls: number; until: number }>();

  /** @param most calls a minute */
  constructor(most: number) {
    this.#most = most;
  }

  /** Counts a call of somebody. @returns how long to wait where there have been too many, ms; null: it may go on */
  over(who: string): number | null {
    const now = performance.now();
    let minute = this.#minutes.get(who);
    if (minute === undefined || now >= minute.until) {
      // Whoever begins anew stands last, so that the oldest stand first.
      this.#minutes.delete(who);
      this.#makeRoom(now);
      this.#minutes.set(who, (minute = { calls: 0, until: now + counted }));
    }
    minute.calls++;
    return minute.calls > this.#most ? minute.until - now : null;
  }

  #makeRoom(now: number): void {
    for (const [who, { until }] of this.#minutes) {
      if (now < until && this.#minutes.size < mostCounted) return;
      this.#minutes.delete(who);
    }
  }
}

/** @param variable of the environment that says otherwise @param usual calls a minute */
export const callLimiter = (variable: string, usual: number): CallLimiter =>
  new CallLimiter(pointsFrom(variable, usual));

/** A whole number of calls a minute; what is no such number is not taken. */
function pointsFrom(variable: string, usual: number): number {
  const said = Number(process.env[variable] ?? usual);
  return Number.isInteger(said) && said > 0 ? said : usual;
}

/** Counts a call. @returns what to answer where there have been too many within a minute; null: it may go on */
export function overLimit(limiter: CallLimiter, who: string): Problem | null {
  const wait = limiter.over(who);
  if (wait === null) return null;
  const seconds = Math.max(1, Math.ceil(wait / 1000));
  return {
    status: 429,
    title: 'Too many calls',
    detail: `Nothing was done. Call again in ${seconds} s.`,
    headers: { 'retry-after': String(seconds) },
  };
}
