import { defineMiddleware } from 'astro:middleware';
import { watchImports } from './server/imports/apply.ts';
import { refuseForeignName, refuseForeignWrite, securityHeaders } from './server/http/guard.ts';

if (process.env.DATABASE_URL) watchImports();

export const onRequest = defineMiddleware(async ({ request, url }, next) => {
  const response = refuseForeignName(request) ?? refuseForeignWrite(request, url) ?? (await next());
  for (const [name, value] of Object.entries(securityHeaders)) response.headers.set(name, value);
  return response;
});
