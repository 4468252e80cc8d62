import { disconnect, withOwn } from '../../../server/accounts/own-account.ts';
import { toConnect } from '../../../server/accounts/provider/setting-out.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';

export const POST = endpoint('POST /api/account/provider', async ({ person, body, request, client }) => {
  const way = await withOwn(person, (self) => toConnect(self, body.password, { request, client }));
  return isProblem(way) ? way : reply({ address: way.address }, way.headers);
});

export const DELETE = endpoint('DELETE /api/account/provider', async ({ person }) => {
  const account = await withOwn(person, disconnect);
  return isProblem(account) ? account : reply(account);
});
