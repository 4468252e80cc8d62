import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { sendSoon } from '../../../../server/receivers/send-due.ts';
import { askedRelease } from '../../../../server/releases/asked-store.ts';
import { noneAsked, notReleased, ownAsked, unreasoned } from '../../../../server/releases/release-answers.ts';
import { agreeToRelease } from '../../../../server/releases/two-people.ts';

export const POST = endpoint('POST /api/releases/asked/agreement', async ({ revision, person }) => {
  const asked = await askedRelease(person);
  if (!asked) return noneAsked;
  if (asked.own) return ownAsked;
  const wrong = await unreasoned(revision, asked.reason);
  if (wrong) return wrong;
  const outcome = await agreeToRelease(revision, person);
  if (outcome.kind === 'none') return noneAsked;
  if (outcome.kind === 'own') return ownAsked;
  if (outcome.kind !== 'released') return notReleased(outcome);
  sendSoon();
  return reply(outcome.release, {}, 201);
});
