import Breaker from 'opossum';

/**
 * A carrier that has failed most times of late is left alone for a while, so that shoppers do not wait for it one after another;
 * then one question tries whether it answers again.
 */
type AskedBreaker<T> = Breaker<[() => Promise<T>], T>;

const breakers = new Map<string, AskedBreaker<unknown>>();
/** Carriers whose failures are remembered. */
const mostKnown = 500;
/** A carrier is left alone when so many questions have failed, and half of all, within a while; for how long. ms */
const { failures, within, alone } = { failures: 8, within: 10_000, alone: 5000 };

function breakerOf(carrier: string): AskedBreaker<unknown> {
  const known = breakers.get(carrier);
  if (known) return known;
  if (breakers.size >= mostKnown) resetBreakers();
  const made: AskedBreaker<unknown> = new Breaker((ask: () => Promise<unknown>) => ask(), {
    timeout: false,
    volumeThreshold: failures,
    errorThresholdPercentage: 50,
    rollingCountTimeout: within,
    resetTimeout: alone,
  });
  breakers.set(carrier, made);
  return made;
}

/** A question to a carrier. @throws what it failed with, or that it is left alone */
export const askedOf = async <T>(carrier: string, ask: () => Promise<T>): Promise<T> =>
  (await breakerOf(carrier).fire(ask)) as T;

/** Whether an error says that the carrier was not asked. */
export const isLeftAlone = (error: unknown): boolean => Breaker.isOurError(error as Error);

export function stateOf(carrier: string): 'asked' | 'left' | 'tried' {
  const breaker = breakers.get(carrier);
  if (breaker?.opened) return 'left';
  return breaker?.halfOpen ? 'tried' : 'asked';
}

/** Asks every carrier again, as when it is known that something has changed. */
export function resetBreakers(): void {
  for (const breaker of breakers.values()) breaker.shutdown();
  breakers.clear();
}
