import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { knownSurface } from '../../../../server/surfaces/known-surface.ts';
import { noteDone } from '../../../../server/surfaces/reading-store.ts';
import { compareNow } from '../../../../server/surfaces/standing.ts';

/** Holds until the next release, or until something is read of it again. */
export const POST = endpoint('POST /api/surfaces/{id}/done', async ({ params: { id } }) => {
  const { surface, now } = await knownSurface(id);
  if (now.release === null)
    return {
      status: 409,
      title: 'Nothing has been released yet',
      detail: 'There is nothing to bring it into line with.',
    };
  await noteDone(id, now.release);
  return reply(await compareNow(id, surface, now));
});
