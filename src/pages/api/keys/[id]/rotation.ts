import { rotateKey } from '../../../../server/access/keys.ts';
import { keyOver, manyKeys, noSuchKey } from '../../../../server/access/key-problems.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';

const problems = { unknown: noSuchKey, over: keyOver, many: manyKeys };

export const POST = endpoint('POST /api/keys/{id}/rotation', async ({ params: { id }, body, person }) => {
  const made = await rotateKey(id, body.overlapHours, person.name);
  return typeof made === 'string' ? problems[made] : reply(made, {}, 201);
});
