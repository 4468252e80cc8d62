import type { APIRoute } from 'astro';
import { answering, json, problemResponse } from '../../../server/http/problem.ts';
import { draftEtag, matchedRevision, readBody } from '../../../server/http/read-request.ts';
import { maxReleaseBytes, validateRelease } from '../../../server/releases/release-requests.ts';
import { listReleases, releaseDraft } from '../../../server/releases/release-store.ts';
import { userOf } from '../../../server/user.ts';

export const GET: APIRoute = () => answering(async () => json({ releases: await listReleases() }));

/** Makes the draft that the caller has looked at (If-Match) the next release. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const revision = matchedRevision(request);
    const { note } = await readBody(request, validateRelease, maxReleaseBytes);
    const outcome = await releaseDraft(revision, note, userOf(request));
    if (outcome.kind === 'released') return json(outcome.release, { status: 201 });
    return problemResponse({
      status: 412,
      title: 'The draft has moved on',
      detail: 'Someone edited it since you looked at the changes. Nothing was released. Look at the changes again.',
      headers: outcome.kind === 'stale' ? { etag: draftEtag(outcome.revision) } : {},
    });
  });
