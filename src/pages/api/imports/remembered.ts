import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { rememberedMapping } from '../../../server/imports/import-store.ts';

/** How a file with this heading was read the last time. */
export const POST = endpoint('POST /api/imports/remembered', async ({ body: { kind, heading } }) =>
  reply({ mapping: await rememberedMapping(kind, heading) }),
);
