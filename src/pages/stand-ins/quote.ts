import type { APIRoute } from 'astro';
import { callNamed } from '../../contract/calls.ts';
import type { Quote } from '../../contract/shapes/quote.ts';
import type { QuoteRequest } from '../../contract/shapes/quote-request.ts';
import { answering, json, problemResponse } from '../../server/http/problem.ts';
import { bodySchema, readBody } from '../../server/http/read-request.ts';
import { currentPolicy } from '../../server/quote/current-policy.ts';
import { quote } from '../../server/quote/quote.ts';

const { schema, most } = callNamed('POST /api/quote').body as { schema: object; most: number };
const validate = bodySchema<QuoteRequest>(schema);
let constant: Quote | null = null;

/** Reads and checks a cart as the shop's call does, and answers the first one's quote to all: what quotes are measured against. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const asked = await readBody(request, validate, most);
    if (constant) return json(constant);
    const current = await currentPolicy();
    if (!current)
      return problemResponse({
        status: 409,
        title: 'Nothing has been released yet',
        detail: 'Release the draft first.',
      });
    constant = await quote(current, asked, Date.now());
    return json(constant);
  });
