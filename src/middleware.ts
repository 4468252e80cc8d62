import { defineMiddleware } from 'astro:middleware';
import { refuseForeignWrite, securityHeaders } from './server/http/guard.ts';
import { problemResponse } from './server/http/problem.ts';

export const onRequest = defineMiddleware(async ({ request, url }, next) => {
  const response = refuseForeignWrite(request, url) ?? (await next());
  const answer = url.pathname.startsWith('/api/') && response.status === 404 && !response.headers.get('content-type')?.includes('json')
    ? problemResponse({ status: 404, title: 'There is no such call', detail: '/openapi.json describes those there are.' })
    : response;
  for (const [name, value] of Object.entries(securityHeaders)) answer.headers.set(name, value);
  return answer;
});
