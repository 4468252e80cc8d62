import { withOwn } from '../../../../server/accounts/own-account.ts';
import { takePasskey } from '../../../../server/accounts/passkeys/adding.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const POST = endpoint('POST /api/account/passkeys', async ({ person, body, request, client }) => {
  const account = await withOwn(person, (self) => takePasskey(self, body, { request, client }));
  return isProblem(account) ? account : reply(account);
});
