import type { APIRoute } from 'astro';
import { json } from '../server/http/problem.ts';
import { openApiDocument } from '../contract/openapi.ts';

export const GET: APIRoute = () => json(openApiDocument, { headers: { 'cache-control': 'public, max-age=300' } });
