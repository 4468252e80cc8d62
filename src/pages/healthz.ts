import { endpoint, reply } from '../server/http/endpoint.ts';

/** The process answers; how it is doing is told to who owns the store. */
export const GET = endpoint('GET /healthz', () => Promise.resolve(reply({ status: 'ok' })));
