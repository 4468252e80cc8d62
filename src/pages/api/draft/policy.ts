import type { APIRoute } from 'astro';
import { policyText } from '../../../server/draft/policy-text.ts';
import { validatePolicyQuery } from '../../../server/draft/draft-requests.ts';
import { answering } from '../../../server/http/problem.ts';
import { readQuery } from '../../../server/http/read-request.ts';

/** A state of the draft, which never changes: `?revision=17&stamp=…`, as the page names it. */
export const GET: APIRoute = ({ url }) =>
  answering(async () => {
    const { revision, stamp } = readQuery(url, validatePolicyQuery);
    return new Response(await policyText({ revision: Number(revision), stamp }), { headers: { 'content-type': 'application/json', 'cache-control': 'private, max-age=86400, immutable' } });
  });
