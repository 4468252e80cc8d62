import type { Soon } from './soon.ts';

/** What is looked up once for all who ask within a while. */
export interface Held<T> {
  /** what is held, or what comes */
  get: () => Soon<T>;
  /** looked up anew by whoever comes next */
  forget: () => void;
}

/**
 * Holds what is looked up; whoever asks after a failure tries again.
 *
 * @param ms for so long, from when it is asked for, it is taken to hold still
 */
export function heldFor<T>(ms: number, lookUp: () => Promise<T>): Held<T> {
  let known: { value: Soon<T>; until: number } | null = null;
  const forget = (): void => void (known = null);
  const get = (): Soon<T> => {
    const now = performance.now();
    if (known !== null && now < known.until) return known.value;
    const comes = lookUp();
    const looking: { value: Soon<T>; until: number } = { value: comes, until: now + ms };
    known = looking;
    comes.then(
      (value) => (looking.value = value),
      () => {
        if (known === looking) forget();
      },
    );
    return comes;
  };
  return { get, forget };
}
