import { draftEtag } from '../../../contract/etag.ts';
import { beyondMarkets } from '../../../server/draft/draft-answers.ts';
import { readDraft } from '../../../server/draft/draft-store.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { sendSoon } from '../../../server/receivers/send-due.ts';
import { listReleases, releaseDraft } from '../../../server/releases/release-store.ts';
import { wrongIn } from '../../../server/releases/wrong-in-draft.ts';

export const GET = endpoint('GET /api/releases', async () => reply({ releases: await listReleases() }));

/** So many of what is wrong are named. */
const mostNamed = 5;

const noReason = (wrong: readonly string[]) => {
  const more = wrong.length > mostNamed ? ` And ${wrong.length - mostNamed} more.` : '';
  return {
    status: 422,
    title: 'Something is wrong, and no reason is given',
    detail: `${wrong.slice(0, mostNamed).join(' ')}${more} Nothing was released. Mend it, accept it, or say why it is released as it is.`,
  };
};

/** Makes the draft that the caller has looked at (If-Match) the next release. */
export const POST = endpoint('POST /api/releases', async ({ revision, body, person }) => {
  const reason = body.reason?.trim() ?? '';
  if (reason === '') {
    const draft = await readDraft();
    // One that has moved on is refused for that below.
    const wrong = draft.revision === revision ? await wrongIn(draft.policy) : [];
    if (wrong.length > 0) return noReason(wrong);
  }
  const { note } = body;
  const outcome = await releaseDraft(revision, { note, reason: reason || null, by: person });
  if (outcome.kind === 'released') {
    sendSoon();
    return reply(outcome.release, {}, 201);
  }
  if (outcome.kind === 'beyond') return beyondMarkets(outcome.reason);
  return {
    status: 412,
    title: 'The draft has moved on',
    detail: 'Someone edited it since you looked at the changes. Nothing was released. Look at the changes again.',
    headers: outcome.kind === 'stale' ? { etag: draftEtag(outcome.revision) } : {},
  };
});
