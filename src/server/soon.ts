/**
 * What is at hand, or comes. To wait for what is at hand costs a promise, and with the names of requests
 * (`request-id.ts`) each promise costs: what quotes pass through is handed on at once where it can be.
 */
export type Soon<T> = T | Promise<T>;

/** Goes on with what comes once it is there. */
export const andThen = <T, U>(soon: Soon<T>, work: (value: T) => Soon<U>): Soon<U> =>
  soon instanceof Promise ? soon.then(work) : work(soon);
