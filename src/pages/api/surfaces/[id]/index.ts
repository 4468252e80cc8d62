import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { knownSurface } from '../../../../server/surfaces/known-surface.ts';
import { compareNow } from '../../../../server/surfaces/standing.ts';

export const GET = endpoint('GET /api/surfaces/{id}', async ({ params: { id } }) => {
  const { surface, now } = await knownSurface(id);
  return reply(await compareNow(id, surface, now));
});
