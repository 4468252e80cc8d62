import { endpoint, reply } from '../../server/http/endpoint.ts';
import { listedHosts, listHosts } from '../../server/surfaces/listed-hosts.ts';

export const GET = endpoint('GET /api/listed-hosts', async () => reply({ hosts: await listedHosts() }));

export const PUT = endpoint('PUT /api/listed-hosts', async ({ body }) => {
  await listHosts(body.hosts);
  return reply({ hosts: await listedHosts() });
});
