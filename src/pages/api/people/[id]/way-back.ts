import { noSuchPerson, ownWayBack } from '../../../../server/accounts/account-problems.ts';
import { wayBack } from '../../../../server/accounts/people-store.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';

/** What is answered is the only time that the link is told. */
export const POST = endpoint('POST /api/people/{id}/way-back', async ({ person, params: { id } }) => {
  if (person.signedIn?.accountId === id) return ownWayBack;
  const made = await wayBack(id, person.name);
  return made ? reply(made, {}, 201) : noSuchPerson;
});
