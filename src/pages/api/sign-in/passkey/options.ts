import { passkeyWanted } from '../../../../server/accounts/passkeys/signing-in-with.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const POST = endpoint('POST /api/sign-in/passkey/options', async ({ request, client }) => {
  const wanted = await passkeyWanted({ request, client });
  return isProblem(wanted) ? wanted : reply(wanted);
});
