import type { APIRoute } from 'astro';
import { policyText } from '../../../server/draft/policy-text.ts';
import { validatePolicyQuery } from '../../../server/draft/draft-requests.ts';
import { answering, problemResponse } from '../../../server/http/problem.ts';
import { readQuery } from '../../../server/http/read-request.ts';

/** A state of the draft, which never changes: `?revision=17&stamp=…`, as the page names it. */
export const GET: APIRoute = ({ url }) =>
  answering(async () => {
    const { revision, stamp } = readQuery(url, validatePolicyQuery);
    const text = await policyText({ revision: Number(revision), stamp });
    if (!text)
      return problemResponse({
        status: 404,
        title: 'There is no such state of the draft',
        detail: 'GET /api/draft tells where it is.',
      });
    return new Response(text, {
      headers: { 'content-type': 'application/json', 'cache-control': 'private, max-age=86400, immutable' },
    });
  });
