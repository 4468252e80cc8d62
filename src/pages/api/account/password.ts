import { changePassword, withOwn } from '../../../server/accounts/own-account.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isProblem } from '../../../server/http/problem.ts';

export const PUT = endpoint('PUT /api/account/password', async ({ person, body, request, client }) => {
  const changed = await withOwn(person, (self) => changePassword(self, body, { request, client }));
  return isProblem(changed) ? changed : reply(changed.account, changed.headers);
});
