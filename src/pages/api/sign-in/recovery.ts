import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';
import { signInWithCode } from '../../../server/accounts/signing-in.ts';

export const POST = endpoint('POST /api/sign-in/recovery', async ({ body, request, client }) => {
  const signedIn = await signInWithCode(body, { request, client });
  return isProblem(signedIn) ? signedIn : reply({ name: signedIn.name }, signedIn.headers);
});
