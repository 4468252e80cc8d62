import { endOwnSession } from '../../server/accounts/sessions.ts';
import { endpoint, reply } from '../../server/http/endpoint.ts';

/** What was kept of pages goes too, where browsers do that (Clear Site Data, 3.1): not what has been edited and could not be sent. */
export const POST = endpoint('POST /api/sign-out', async ({ request }) =>
  reply({}, { ...(await endOwnSession(request)), 'clear-site-data': '"cache"' }),
);
