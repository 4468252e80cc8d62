import { lookAtLink } from '../../../server/accounts/joining.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';

export const POST = endpoint('POST /api/links/look', async ({ body, request, client }) => {
  const link = await lookAtLink(body.token, { request, client });
  return isProblem(link) ? link : reply(link);
});
