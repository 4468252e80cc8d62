import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { compareNow, standingNow } from '../../../server/surfaces/standing.ts';

/** Each is compared in turn, and what others ask for is done in between. */
export const GET = endpoint('GET /api/surfaces', async () => {
  const now = await standingNow();
  const surfaces = [];
  for (const [id, surface] of Object.entries(now.draft.surfaces ?? {})) {
    surfaces.push((await compareNow(id, surface, now)).standing);
    await new Promise<void>((resolve) => setImmediate(resolve));
  }
  return reply({ release: now.release, surfaces });
});
