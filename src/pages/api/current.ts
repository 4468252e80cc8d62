import { endpoint } from '../../server/http/endpoint.ts';
import { revalidated } from '../../server/http/revalidated.ts';
import { currentState } from '../../server/current-state.ts';

/** What quotes rest on at the moment: a shop that is open asks for it to see that something has been released. */
export const GET = endpoint('GET /api/current', async ({ request }) => {
  const { release, catalogue } = await currentState();
  return revalidated(request, { release, catalogue }, 'public');
});
