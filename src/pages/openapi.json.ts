import { openApiDocument } from '../contract/openapi.ts';
import { endpoint, reply } from '../server/http/endpoint.ts';

export const GET = endpoint('GET /openapi.json', () =>
  Promise.resolve(reply(openApiDocument, { 'cache-control': 'public, max-age=300' })),
);
