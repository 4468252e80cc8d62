import type { APIRoute } from 'astro';
import { carrierService } from '../../server/http/guard.ts';
import { answering, json, problemResponse } from '../../server/http/problem.ts';
import { readBody } from '../../server/http/read-request.ts';
import { currentPolicy } from '../../server/quote/current-policy.ts';
import { quote, validateQuoteRequest } from '../../server/quote/quote.ts';

/** The shop's call: what a cart is offered and told, under the current release. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const body = await readBody(request, validateQuoteRequest, 64 * 1024);
    const current = await currentPolicy();
    if (!current)
      return problemResponse({
        status: 409,
        title: 'Nothing has been released yet',
        detail: 'The shop reads releases only. Release the draft first.',
      });
    return json(await quote(current, body, Date.now(), carrierService()));
  });
