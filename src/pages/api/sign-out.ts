import { endOwnSession } from '../../server/accounts/sessions.ts';
import { endpoint } from '../../server/http/endpoint.ts';

export const POST = endpoint(
  'POST /api/sign-out',
  async ({ request }) => new Response(null, { status: 204, headers: await endOwnSession(request) }),
);
