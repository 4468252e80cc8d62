import { inject } from 'vitest';

declare module 'vitest' {
  interface ProvidedContext {
    workers: Servers[];
  }
}

/** What the tests of one worker have to themselves, so that neither the other worker nor the order of files matters. */
export interface Servers {
  /** the demo store */
  address: string;
  /** the demo shop beside it */
  shopAddress: string;
  /** a store with nothing in it */
  emptyAddress: string;
  /** an empty store that tests may fill and empty again */
  blankAddress: string;
}

/** The servers of the worker that runs this file. */
export const here: Servers = inject('workers')[Number(process.env.VITEST_POOL_ID) - 1]!;
