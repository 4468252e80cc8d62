import { endOthers, withOwn } from '../../../../server/accounts/own-account.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const DELETE = endpoint('DELETE /api/account/sessions', async ({ person }) => {
  const account = await withOwn(person, endOthers);
  return isProblem(account) ? account : reply(account);
});
