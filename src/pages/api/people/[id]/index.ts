import { afterChange } from '../../../../server/accounts/people-answers.ts';
import { changeRole, removeAccount } from '../../../../server/accounts/people-store.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const PUT = endpoint('PUT /api/people/{id}', async ({ person, params: { id }, body }) => {
  const people = await afterChange(changeRole(id, body), person);
  return isProblem(people) ? people : reply(people);
});

export const DELETE = endpoint('DELETE /api/people/{id}', async ({ person, params: { id } }) => {
  const people = await afterChange(removeAccount(id), person);
  return isProblem(people) ? people : reply(people);
});
