import { endpoint, reply } from '../../server/http/endpoint.ts';
import { choose, readChoices } from '../../server/store-choices.ts';

export const GET = endpoint('GET /api/choices', async () => reply(await readChoices()));

export const PUT = endpoint('PUT /api/choices', async ({ body }) =>
  (await choose(body))
    ? reply(body)
    : {
        status: 409,
        title: 'There are no two people who may release',
        detail: 'Nothing was changed. Let somebody else release first; else nobody could.',
      },
);
