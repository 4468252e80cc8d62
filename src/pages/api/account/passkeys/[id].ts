import { shown, withOwn } from '../../../../server/accounts/own-account.ts';
import { removePasskey } from '../../../../server/accounts/passkeys/passkey-store.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const DELETE = endpoint('DELETE /api/account/passkeys/{id}', async ({ person, params: { id } }) => {
  const account = await withOwn(person, async (self) => {
    await removePasskey(self.accountId, id);
    return shown(self);
  });
  return isProblem(account) ? account : reply(account);
});
