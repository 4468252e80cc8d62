import { listServices } from '../../../server/carriers/carrier-services.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';

export const GET = endpoint('GET /api/carriers', async () => reply({ carriers: await listServices() }));
