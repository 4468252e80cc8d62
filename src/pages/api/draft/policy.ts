import { policyText } from '../../../server/draft/policy-text.ts';
import { endpoint } from '../../../server/http/endpoint.ts';

/** A state of the draft, which never changes: `?revision=17&stamp=…`, as the page names it. */
export const GET = endpoint('GET /api/draft/policy', async ({ query: { revision, stamp } }) => {
  const text = await policyText({ revision: Number(revision), stamp });
  if (!text)
    return { status: 404, title: 'There is no such state of the draft', detail: 'GET /api/draft tells where it is.' };
  return new Response(text, {
    headers: { 'content-type': 'application/json', 'cache-control': 'private, max-age=86400, immutable' },
  });
});
