import { draftEtag } from '../../../contract/etag.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { listReleases, releaseDraft } from '../../../server/releases/release-store.ts';
import { userOf } from '../../../server/user.ts';

export const GET = endpoint('GET /api/releases', async () => reply({ releases: await listReleases() }));

/** Makes the draft that the caller has looked at (If-Match) the next release. */
export const POST = endpoint('POST /api/releases', async ({ revision, body, request }) => {
  const outcome = await releaseDraft(revision, body.note, userOf(request));
  if (outcome.kind === 'released') return reply(outcome.release, {}, 201);
  return {
    status: 412,
    title: 'The draft has moved on',
    detail: 'Someone edited it since you looked at the changes. Nothing was released. Look at the changes again.',
    headers: outcome.kind === 'stale' ? { etag: draftEtag(outcome.revision) } : {},
  };
});
