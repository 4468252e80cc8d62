import { repairDraft } from '../../../server/draft/draft-store.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';

/** Puts the newest valid state on top of a draft that is stored and cannot be computed with. A form is led to a page afterwards. */
export const POST = endpoint('POST /api/draft/repair', async ({ request, person }) => {
  const backTo = await repairDraft(person.name);
  if (request.headers.get('accept')?.includes('text/html'))
    return new Response(null, { status: 303, headers: { location: '/offers' } });
  return reply({ repaired: backTo !== null, backTo });
});
