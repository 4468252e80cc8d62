import { withOwn } from '../../../../server/accounts/own-account.ts';
import { passkeyOptions } from '../../../../server/accounts/passkeys/adding.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const POST = endpoint('POST /api/account/passkeys/options', async ({ person, body, request, client }) => {
  const options = await withOwn(person, (self) => passkeyOptions(self, body.password, { request, client }));
  return isProblem(options) ? options : reply(options);
});
