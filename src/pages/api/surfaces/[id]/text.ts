import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { knownSurface } from '../../../../server/surfaces/known-surface.ts';
import { keepReading } from '../../../../server/surfaces/reading-store.ts';
import { compareNow } from '../../../../server/surfaces/standing.ts';

export const PUT = endpoint('PUT /api/surfaces/{id}/text', async ({ params: { id }, body }) => {
  const { surface, now } = await knownSurface(id);
  const { text: content, format, source } = body;
  await keepReading(id, { content, format, source });
  return reply(await compareNow(id, surface, now));
});
