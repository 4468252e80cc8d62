import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { noSuchReceiver } from '../../../../server/receivers/no-such-receiver.ts';
import { readReceiver } from '../../../../server/receivers/receiver-store.ts';
import { sendTest } from '../../../../server/receivers/send-due.ts';
import { latestRelease } from '../../../../server/releases/release-store.ts';

/** Calls a receiver once, and waits for what it answers. */
export const POST = endpoint('POST /api/receivers/{id}/test', async ({ params: { id } }) => {
  const made = await sendTest(id, await latestRelease());
  const call = (await readReceiver(id))?.calls.find((one) => one.id === made);
  return call ? reply(call) : noSuchReceiver;
});
