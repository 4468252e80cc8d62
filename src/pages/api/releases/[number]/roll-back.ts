import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { sendSoon } from '../../../../server/receivers/send-due.ts';
import { notReleased } from '../../../../server/releases/release-answers.ts';
import { noSuchRelease, releaseNumberOf } from '../../../../server/releases/release-number.ts';
import { rollBack } from '../../../../server/releases/release-store.ts';

/** A new release of an old copy; the draft stays as it is. */
export const POST = endpoint('POST /api/releases/{number}/roll-back', async ({ params: { number }, body, person }) => {
  const outcome = await rollBack(releaseNumberOf(number), body.note, person);
  if (outcome.kind === 'unknown') return noSuchRelease;
  if (outcome.kind !== 'released') return notReleased(outcome);
  sendSoon();
  return reply(outcome.release, {}, 201);
});
