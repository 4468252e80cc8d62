import type { APIRoute } from 'astro';
import { answering, json } from '../../../server/http/problem.ts';
import { readBody } from '../../../server/http/read-request.ts';
import { validateHeadingRequest } from '../../../server/imports/import-requests.ts';
import { rememberedMapping } from '../../../server/imports/import-store.ts';

/** How a file with this heading was read the last time. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const { kind, heading } = await readBody(request, validateHeadingRequest, 256 * 1024);
    return json({ mapping: await rememberedMapping(kind, heading) });
  });
