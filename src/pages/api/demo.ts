import { loadDemoStore } from '../../../demo/load.ts';
import { endpoint, reply } from '../../server/http/endpoint.ts';

/** Fills an empty store with the demo store. */
export const POST = endpoint('POST /api/demo', async () =>
  (await loadDemoStore())
    ? reply({ loaded: true }, {}, 201)
    : {
        status: 409,
        title: 'The store is not empty',
        detail: 'The demo store is only loaded where nothing has been set yet. Nothing was changed.',
      },
);
