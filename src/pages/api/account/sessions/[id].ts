import { endOne, withOwn } from '../../../../server/accounts/own-account.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const DELETE = endpoint('DELETE /api/account/sessions/{id}', async ({ person, params: { id } }) => {
  const account = await withOwn(person, (self) => endOne(self, id));
  return isProblem(account) ? account : reply(account);
});
