import { endpoint } from '../../server/http/endpoint.ts';
import { publishedFile } from '../../server/published/published-file.ts';

/** A file of the whole store. */
export const GET = endpoint('GET /published/{file}', ({ request, params }) =>
  publishedFile(request, { market: '', language: '', file: params.file }),
);
