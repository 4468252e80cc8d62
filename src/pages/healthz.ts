import { figures } from '../server/carriers/quotes-for.ts';
import { endpoint, reply } from '../server/http/endpoint.ts';

/** The process answers, and what it has counted since it began. */
export const GET = endpoint('GET /healthz', () => Promise.resolve(reply({ status: 'ok', carriers: figures })));
