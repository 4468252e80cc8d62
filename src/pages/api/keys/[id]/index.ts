import { changeKey, revokeKey } from '../../../../server/access/keys.ts';
import { noSuchKey, withoutOrigin } from '../../../../server/access/key-problems.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';

export const PUT = endpoint('PUT /api/keys/{id}', async ({ params: { id }, body }) => {
  const key = await changeKey(id, { ...body, name: body.name.trim() });
  if (key === 'withoutOrigin') return withoutOrigin;
  return key ? reply(key) : noSuchKey;
});

export const DELETE = endpoint('DELETE /api/keys/{id}', async ({ params: { id } }) => {
  const key = await revokeKey(id);
  return key ? reply(key) : noSuchKey;
});
