import { defineMiddleware } from 'astro:middleware';
import { refuseForeignName, refuseForeignWrite, securityHeaders } from './server/http/guard.ts';

export const onRequest = defineMiddleware(async ({ request, url }, next) => {
  const response = refuseForeignName(request) ?? refuseForeignWrite(request, url) ?? (await next());
  for (const [name, value] of Object.entries(securityHeaders)) response.headers.set(name, value);
  return response;
});
