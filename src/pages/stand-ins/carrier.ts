import { setTimeout as wait } from 'node:timers/promises';
import type { APIRoute } from 'astro';
import { validateCarrierRequest } from '../../server/carriers/carrier-schema.ts';
import { answering, json, problemResponse } from '../../server/http/problem.ts';
import { readBody } from '../../server/http/read-request.ts';
import { simulatedQuote } from '../../server/stand-ins/carrier.ts';
import { standInMode } from '../../server/stand-ins/stand-in-modes.ts';

/** The simulated carrier service. It can be slow, fail, answer nonsense, or be down. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const asked = await readBody(request, validateCarrierRequest, 4096);
    const mode = await standInMode('carrier');
    await wait(mode === 'slow' ? 4000 : 40);
    if (mode === 'failing')
      return problemResponse({
        status: 500,
        title: 'The simulated carrier has failed',
        detail: 'It was made to at Delivery.',
      });
    if (mode === 'down')
      return problemResponse({
        status: 503,
        title: 'The simulated carrier is down',
        detail: 'It was made to be at Delivery.',
      });
    return json(mode === 'wrong' ? { amount: '-7', currency: 'shells' } : simulatedQuote(asked));
  });
