import { inject } from 'vitest';

declare module 'vitest' {
  interface ProvidedContext {
    serverWorkers: ServerOfWorker[];
  }
}

/** What the server tests of one worker have to themselves. */
export interface ServerOfWorker {
  /** the demo store */
  address: string;
  databaseUrl: string;
  /** a store with nothing in it */
  emptyAddress: string;
}

/** The servers of the worker that runs this file. */
export const { address, databaseUrl, emptyAddress }: ServerOfWorker =
  inject('serverWorkers')[Number(process.env.VITEST_POOL_ID) - 1]!;
