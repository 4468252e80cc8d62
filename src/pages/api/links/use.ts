import { joinByLink } from '../../../server/accounts/joining.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';

export const POST = endpoint('POST /api/links/use', async ({ body, request, client }) => {
  const joined = await joinByLink(body, { request, client });
  return isProblem(joined) ? joined : reply({ codes: joined.codes }, joined.headers, 201);
});
