import { endpoint } from '../../../../server/http/endpoint.ts';
import { publishedFile } from '../../../../server/published/published-file.ts';

/** Whoever reads it may be anybody: it says what the release does, and nothing of the draft. */
export const GET = endpoint('GET /published/{market}/{language}/{file}', ({ request, params }) =>
  publishedFile(request, params),
);
