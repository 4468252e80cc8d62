import { setTimeout as wait } from 'node:timers/promises';
import type { APIRoute } from 'astro';
import { ownAddress } from '../../server/http/guard.ts';
import { answering, problemResponse } from '../../server/http/problem.ts';
import { readText } from '../../server/http/read-request.ts';
import { simulatedReceiver } from '../../server/stand-ins/receiver.ts';
import { standInMode } from '../../server/stand-ins/stand-in-modes.ts';

/** A simulated system of the shop that is told of releases. It can be slow, answer wrongly, or be down. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const body = await readText(request, 16 * 1024);
    const mode = await standInMode('receiver');
    if (mode === 'slow') await wait(11_000);
    if (mode === 'wrong') return new Response('<h1>It works!</h1>', { status: 404 });
    if (mode === 'down')
      return problemResponse({
        status: 503,
        title: 'The simulated receiver is down',
        detail: 'It was made to be at Connections.',
      });
    const address = new URL('/stand-ins/receiver', ownAddress()).href;
    const answer = await simulatedReceiver(request, address, body);
    return answer === null
      ? problemResponse({
          status: 401,
          title: 'The signature is not right',
          detail: 'What was told was not believed.',
        })
      : new Response(answer, { headers: { 'content-type': 'text/plain; charset=utf-8' } });
  });
