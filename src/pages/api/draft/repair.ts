import type { APIRoute } from 'astro';
import { repairDraft } from '../../../server/draft/draft-store.ts';
import { answering, json } from '../../../server/http/problem.ts';
import { userOf } from '../../../server/user.ts';

/** Puts the newest valid state on top of a draft that is stored and cannot be computed with. A form is led to a page afterwards. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const backTo = await repairDraft(userOf(request));
    if (request.headers.get('accept')?.includes('text/html'))
      return new Response(null, { status: 303, headers: { location: '/offers' } });
    return json({ repaired: backTo !== null, backTo });
  });
