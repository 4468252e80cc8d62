/** What is looked up once for all who ask within a while. */
export interface Held<T> {
  get: () => Promise<T>;
  /** looked up anew by whoever comes next */
  forget: () => void;
}

/**
 * Holds what is looked up; whoever asks after a failure tries again.
 *
 * @param ms for so long, from when it is asked for, it is taken to hold still
 */
export function heldFor<T>(ms: number, lookUp: () => Promise<T>): Held<T> {
  let known: { value: Promise<T>; until: number } | null = null;
  const forget = (): void => void (known = null);
  const get = (): Promise<T> => {
    const now = performance.now();
    if (known !== null && now < known.until) return known.value;
    const looking = { value: lookUp(), until: now + ms };
    known = looking;
    looking.value.catch(() => {
      if (known === looking) forget();
    });
    return looking.value;
  };
  return { get, forget };
}
