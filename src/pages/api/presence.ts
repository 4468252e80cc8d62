import { endpoint, reply } from '../../server/http/endpoint.ts';
import { notePresence } from '../../server/together/presence-store.ts';

/** Nobody is shown where nobody has an account. */
export const PUT = endpoint('PUT /api/presence', async ({ body, person }) => {
  if (person.signedIn) await notePresence(person.signedIn.accountId, body);
  return reply({});
});
