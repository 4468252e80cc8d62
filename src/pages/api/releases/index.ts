import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { sendSoon } from '../../../server/receivers/send-due.ts';
import { notReleased, reasonFrom, takesTwo, unreasoned } from '../../../server/releases/release-answers.ts';
import { listReleases, releaseDraft } from '../../../server/releases/release-store.ts';

export const GET = endpoint('GET /api/releases', async () => reply({ releases: await listReleases() }));

/** Makes the draft that the caller has looked at (If-Match) the next release. */
export const POST = endpoint('POST /api/releases', async ({ revision, body, person }) => {
  const reason = reasonFrom(body);
  const wrong = await unreasoned(revision, reason);
  if (wrong) return wrong;
  const outcome = await releaseDraft(revision, { note: body.note, reason, by: person });
  if (outcome.kind === 'takesTwo') return takesTwo;
  if (outcome.kind !== 'released') return notReleased(outcome);
  sendSoon();
  return reply(outcome.release, {}, 201);
});
