import { AsyncLocalStorage } from 'node:async_hooks';

/** Of the request that is being answered: what the log says of it has it, and the answer’s `x-request-id`. */
export const requestId = new AsyncLocalStorage<string>();
