import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { noSuchReceiver } from '../../../../server/receivers/no-such-receiver.ts';
import { changeSecret, readReceiver } from '../../../../server/receivers/receiver-store.ts';

export const POST = endpoint('POST /api/receivers/{id}/secret', async ({ params: { id } }) => {
  const secret = await changeSecret(id);
  const receiver = secret === null ? null : await readReceiver(id);
  return receiver ? reply({ receiver, secret: secret! }, {}, 201) : noSuchReceiver;
});
