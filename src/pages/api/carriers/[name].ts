import { changeService, listServices, removeService } from '../../../server/carriers/carrier-services.ts';
import { isCallable } from '../../../server/http/callable-address.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';

export const PUT = endpoint('PUT /api/carriers/{name}', async ({ params: { name }, body }) => {
  if (!/^[a-z0-9][a-z0-9-]{0,39}$/.test(name))
    return { status: 404, title: 'No carrier can have this name', detail: 'Nothing was changed.' };
  if (!isCallable(body.address))
    return {
      status: 422,
      title: 'Carriers are not asked there',
      detail:
        'Nothing was changed. The address begins with https://, or is one of this machine, and holds no password.',
      fields: [{ pointer: '/address', message: 'must begin with https://, or be on this machine' }],
    };
  if (!(await changeService(name, body)))
    return { status: 409, title: 'There are 100 carriers already', detail: 'Nothing was changed. Remove one first.' };
  return reply({ carriers: await listServices() });
});

export const DELETE = endpoint('DELETE /api/carriers/{name}', async ({ params: { name } }) => {
  await removeService(name);
  return reply({ carriers: await listServices() });
});
