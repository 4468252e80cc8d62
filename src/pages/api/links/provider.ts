import { toJoin } from '../../../server/accounts/provider/setting-out.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';

export const POST = endpoint('POST /api/links/provider', async ({ body, request, client }) => {
  const way = await toJoin(body, { request, client });
  return isProblem(way) ? way : reply({ address: way.address }, way.headers);
});
