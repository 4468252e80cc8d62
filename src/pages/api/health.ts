import { readHealth } from '../../server/health/health.ts';
import { endpoint, reply } from '../../server/http/endpoint.ts';

export const GET = endpoint('GET /api/health', async () => reply(await readHealth()));
