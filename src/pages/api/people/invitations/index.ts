import { manyPeople, noAccountsYet } from '../../../../server/accounts/account-problems.ts';
import { invite } from '../../../../server/accounts/people-store.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';

/** What is answered is the only time that the link is told. */
export const POST = endpoint('POST /api/people/invitations', async ({ person, body: { name, ...allowed } }) => {
  const made = await invite(name, allowed, person.name);
  if (made === 'noAccounts') return noAccountsYet;
  return made === 'many' ? manyPeople : reply(made, {}, 201);
});
