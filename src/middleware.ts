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
import { shopAccess, type ShopAccess } from './server/access/shop-access.ts';
import { keepElement } from './server/element/element-files.ts';
import { watchWhatIsOver } from './server/what-is-over.ts';

if (process.env.DATABASE_URL) {
  watchImports();
  watchWhatIsOver();
  void keepElement();
}

export const onRequest = defineMiddleware(async ({ request, url, locals }, next) => {
  const access = await accessOf(request, url, locals);
  locals.fromPage = access.key === 'publishable';
  const response =
    refuseUnknownMethod(request) ??
    refuseForeignName(request) ??
    access.refused ??
    (access.key ? null : refuseForeignWrite(request, url)) ??
    (await answered(url, next));
  for (const [name, value] of Object.entries({ ...securityHeaders, ...access.headers }))
    if (name in access.headers || !response.headers.has(name)) response.headers.set(name, value);
  if (!response.headers.has('content-security-policy'))
    response.headers.set('content-security-policy', bareContentPolicy);
  return response;
});

const anybody: ShopAccess = { refused: null, key: null, headers: {} };

/** Whether a shop's call may be made; what is none goes on. */
async function accessOf(request: Request, url: URL, { client, isLocal }: App.Locals): Promise<ShopAccess> {
  if (!url.pathname.startsWith('/api/')) return anybody;
  const caller = () => ({ client: client?.() ?? null, local: isLocal?.() ?? true });
  try {
    return (await shopAccess(request, url, caller)) ?? anybody;
  } catch (error) {
    return { ...anybody, refused: await answering(() => Promise.reject(error as Error)) };
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
  if (url.pathname.startsWith('/api/')) return answering(next);
  try {
    const response = await next();
    if (!response.headers.get('content-type')?.startsWith('text/html')) return response;
    return new Response(await response.text(), response);
  } catch (error) {
    return errorPage(error);
  }
}
