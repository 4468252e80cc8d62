import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';
import { signInWithPassword } from '../../../server/accounts/signing-in.ts';

export const POST = endpoint('POST /api/sign-in', async ({ body, request, client }) => {
  const signedIn = await signInWithPassword(body, { request, client });
  return isProblem(signedIn) ? signedIn : reply({ name: signedIn.name }, signedIn.headers);
});
