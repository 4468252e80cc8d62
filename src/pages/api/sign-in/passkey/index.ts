import { signInWithPasskey } from '../../../../server/accounts/passkeys/signing-in-with.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const POST = endpoint('POST /api/sign-in/passkey', async ({ body, request, client }) => {
  const signedIn = await signInWithPasskey(body.response, { request, client });
  return isProblem(signedIn) ? signedIn : reply({ name: signedIn.name }, signedIn.headers);
});
