import { endpoint, reply } from '../../server/http/endpoint.ts';
import { readBytes } from '../../server/http/read-request.ts';
import { keepPicture, mostBytes } from '../../server/pictures/picture-store.ts';

export const POST = endpoint('POST /api/pictures', async ({ request }) =>
  reply({ image: await keepPicture(await readBytes(request, mostBytes)) }, {}, 201),
);
