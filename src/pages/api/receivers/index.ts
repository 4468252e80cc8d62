import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { addressOf } from '../../../server/receivers/make-call.ts';
import { addReceiver, listReceivers, mostReceivers, readReceiver } from '../../../server/receivers/receiver-store.ts';

export const GET = endpoint('GET /api/receivers', async () => reply({ receivers: await listReceivers() }));

export const POST = endpoint('POST /api/receivers', async ({ body: { address }, person }) => {
  if (!addressOf(address))
    return {
      status: 422,
      title: 'Nobody is called there',
      detail:
        'Nothing was changed. The address begins with https://, or is one of this machine, and holds no password.',
      fields: [{ pointer: '/address', message: 'must begin with https://, or be on this machine' }],
    };
  const made = await addReceiver(address, person.name);
  const receiver = made && (await readReceiver(made.id));
  if (!receiver)
    return {
      status: 409,
      title: `There are ${mostReceivers} receivers already`,
      detail: 'Nothing was changed. Remove one first.',
    };
  return reply({ receiver, secret: made.secret }, {}, 201);
});
