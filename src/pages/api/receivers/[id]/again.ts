import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { noSuchReceiver } from '../../../../server/receivers/no-such-receiver.ts';
import { tellAgain } from '../../../../server/receivers/outbox.ts';
import { listReceivers, takeUpAgain } from '../../../../server/receivers/receiver-store.ts';
import { sendDue } from '../../../../server/receivers/send-due.ts';
import { latestRelease } from '../../../../server/releases/release-store.ts';

/** Has a receiver told now what has not arrived; what it answers is in the log soon after. */
export const POST = endpoint('POST /api/receivers/{id}/again', async ({ params: { id } }) => {
  if (!(await takeUpAgain(id))) return noSuchReceiver;
  await tellAgain(id, await latestRelease());
  void sendDue(id);
  return reply({ receivers: await listReceivers() }, {}, 202);
});
