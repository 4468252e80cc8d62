import { rename, shown, withOwn } from '../../../server/accounts/own-account.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';

export const GET = endpoint('GET /api/account', async ({ person }) => {
  const account = await withOwn(person, shown);
  return isProblem(account) ? account : reply(account);
});

export const PUT = endpoint('PUT /api/account', async ({ person, body }) => {
  const account = await withOwn(person, (self) => rename(self, body.name));
  return isProblem(account) ? account : reply(account);
});
