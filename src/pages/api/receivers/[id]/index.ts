import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { noSuchReceiver } from '../../../../server/receivers/no-such-receiver.ts';
import { listReceivers, removeReceiver } from '../../../../server/receivers/receiver-store.ts';

export const DELETE = endpoint('DELETE /api/receivers/{id}', async ({ params: { id } }) =>
  (await removeReceiver(id)) ? reply({ receivers: await listReceivers() }) : noSuchReceiver,
);
