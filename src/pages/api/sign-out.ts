import { endOwnSession } from '../../server/accounts/sessions.ts';
import { endpoint, reply } from '../../server/http/endpoint.ts';

export const POST = endpoint('POST /api/sign-out', async ({ request }) => reply({}, await endOwnSession(request)));
