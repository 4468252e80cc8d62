import { pino } from 'pino';
import { requestId } from './request-id.ts';

/** One line of JSON an event, on stderr, with the request that it belongs to. Bodies, headers and connection strings are never logged. */
export const log = pino(
  {
    level: process.env.SUMMANT_LOG ?? 'warn',
    base: null,
    mixin: () => {
      const request = requestId.getStore();
      return request === undefined ? {} : { request };
    },
  },
  pino.destination(2),
);
