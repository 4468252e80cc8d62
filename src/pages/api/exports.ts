import { endpoint, reply } from '../../server/http/endpoint.ts';

/** It is kept by being asked: see server/audit. */
export const POST = endpoint('POST /api/exports', () => Promise.resolve(reply({})));
