import { defineMiddleware } from 'astro:middleware';
import { watchImports } from './server/imports/apply.ts';
import { errorPage } from './server/http/error-page.ts';
import {
  bareContentPolicy,
  knownMethods,
  refuseForeignName,
  refuseForeignWrite,
  securityHeaders,
} from './server/http/guard.ts';
import { answering, problemResponse } from './server/http/problem.ts';
import { answerAhead } from './server/access/shop-access.ts';
import { watchExperiments } from './server/experiments/guard.ts';
import { keepElement } from './server/element/element-files.ts';
import { watchOutbox } from './server/receivers/send-due.ts';
import { watchSurfaces } from './server/surfaces/watch-surfaces.ts';
import { watchWhatIsOver } from './server/what-is-over.ts';

if (process.env.DATABASE_URL) {
  watchImports();
  watchWhatIsOver();
  watchSurfaces();
  watchOutbox();
  watchExperiments();
  void keepElement();
}

export const onRequest = defineMiddleware(async ({ request, url }, next) => {
  const response =
    refuseUnknownMethod(request) ??
    refuseForeignName(request) ??
    (request.method === 'OPTIONS' ? await ahead(request, url) : null) ??
    refuseForeignWrite(request, url) ??
    (await answered(url, next));
  for (const [name, value] of Object.entries(securityHeaders))
    if (!response.headers.has(name)) response.headers.set(name, value);
  if (!response.headers.has('content-security-policy'))
    response.headers.set('content-security-policy', bareContentPolicy);
  return response;
});

/** Told to a browser that asks before a page makes a call of the shop; null: it goes on. */
async function ahead(request: Request, url: URL): Promise<Response | null> {
  try {
    return await answerAhead(request, url);
  } catch (error) {
    return answering(() => Promise.reject(error as Error));
  }
}

function refuseUnknownMethod({ method }: Request): Response | null {
  if (knownMethods.has(method)) return null;
  return problemResponse({
    status: 405,
    title: 'There is no such method',
    detail: 'Nothing was changed.',
    headers: { allow: [...knownMethods].join(', ') },
  });
}

/** A page is drawn to its end before it is sent, so that one that cannot be drawn becomes a page that says so. */
async function answered(url: URL, next: () => Promise<Response>): Promise<Response> {
  if (url.pathname.startsWith('/api/') || url.pathname.startsWith('/published/')) return answering(next);
  try {
    const response = await next();
    if (!response.headers.get('content-type')?.startsWith('text/html')) return response;
    return new Response(await response.text(), response);
  } catch (error) {
    return errorPage(error);
  }
}
