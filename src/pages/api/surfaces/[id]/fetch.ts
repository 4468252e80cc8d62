import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { fetchSurface } from '../../../../server/surfaces/fetch-surface.ts';
import { knownSurface } from '../../../../server/surfaces/known-surface.ts';
import { compareNow } from '../../../../server/surfaces/standing.ts';

export const POST = endpoint('POST /api/surfaces/{id}/fetch', async ({ params: { id } }) => {
  const { surface, now } = await knownSurface(id);
  if (surface.address === undefined)
    return {
      status: 409,
      title: 'This surface has no address',
      detail: 'Give it one, or paste what it says. Nothing was changed.',
    };
  const problem = await fetchSurface(id, surface);
  if (problem !== null)
    return {
      status: 502,
      title: 'The surface could not be fetched',
      detail: `Of ${surface.address}: ${problem}. What was read before is kept.`,
    };
  return reply(await compareNow(id, surface, now));
});
