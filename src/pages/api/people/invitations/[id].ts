import { peopleFor } from '../../../../server/accounts/people-answers.ts';
import { takeBackInvitation } from '../../../../server/accounts/people-store.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';

export const DELETE = endpoint('DELETE /api/people/invitations/{id}', async ({ person, params: { id } }) => {
  await takeBackInvitation(id);
  return reply(await peopleFor(person));
});
