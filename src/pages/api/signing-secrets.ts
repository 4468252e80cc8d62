import { endpoint, reply } from '../../server/http/endpoint.ts';
import { listSecrets, makeSecret } from '../../server/quote/signing-secrets.ts';

export const GET = endpoint('GET /api/signing-secrets', async () => reply({ secrets: await listSecrets() }));

/** What is answered is the only time that the secret is told. */
export const POST = endpoint('POST /api/signing-secrets', async () => reply(await makeSecret(), {}, 201));
