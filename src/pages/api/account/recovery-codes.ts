import { newCodes, withOwn } from '../../../server/accounts/own-account.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';

export const POST = endpoint('POST /api/account/recovery-codes', async ({ person, body, request, client }) => {
  const codes = await withOwn(person, (self) => newCodes(self, body.password, { request, client }));
  return isProblem(codes) ? codes : reply({ codes }, {}, 201);
});
