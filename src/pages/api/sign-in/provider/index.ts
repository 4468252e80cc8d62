import { ownPath } from '../../../../core/own-path.ts';
import { toSignIn } from '../../../../server/accounts/provider/setting-out.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const POST = endpoint('POST /api/sign-in/provider', async ({ body, request, client }) => {
  const way = await toSignIn(ownPath(body.next) ?? '/offers', { request, client });
  return isProblem(way) ? way : reply({ address: way.address }, way.headers);
});
