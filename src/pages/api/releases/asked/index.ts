import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { askedRelease, dropAsked } from '../../../../server/releases/asked-store.ts';
import { notReleased, reasonFrom, takesOne, unreasoned } from '../../../../server/releases/release-answers.ts';
import { askForRelease } from '../../../../server/releases/two-people.ts';

export const GET = endpoint('GET /api/releases/asked', async ({ person }) =>
  reply({ asked: await askedRelease(person) }),
);

export const POST = endpoint('POST /api/releases/asked', async ({ revision, body, person }) => {
  const reason = reasonFrom(body);
  const wrong = await unreasoned(revision, reason);
  if (wrong) return wrong;
  const outcome = await askForRelease(revision, { note: body.note, reason, person });
  if (outcome.kind === 'takesOne') return takesOne;
  return outcome.kind === 'asked' ? reply(outcome.asked, {}, 201) : notReleased(outcome);
});

export const DELETE = endpoint('DELETE /api/releases/asked', async () => {
  await dropAsked();
  return reply({ asked: null });
});
