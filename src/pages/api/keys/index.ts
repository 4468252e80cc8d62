import { listKeys, makeKey } from '../../../server/access/keys.ts';
import { manyKeys, withoutOrigin } from '../../../server/access/key-problems.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';

export const GET = endpoint('GET /api/keys', async () => reply({ keys: await listKeys() }));

/** What is answered is the only time that the key is told. */
export const POST = endpoint('POST /api/keys', async ({ body, person }) => {
  if (body.kind === 'publishable' && body.origins.length === 0) return withoutOrigin;
  const origins = body.kind === 'publishable' ? body.origins : [];
  const made = await makeKey({ ...body, name: body.name.trim(), origins, madeBy: person.name });
  return made ? reply(made, {}, 201) : manyKeys;
});
