import { defineMiddleware } from 'astro:middleware';
import type { APIContext } from 'astro';
import { noteRefusal } from './server/audit/refusals.ts';
import { watchImports } from './server/imports/apply.ts';
import { needOfPage } from './server/accounts/page-needs.ts';
import { accessOf, signInFirst } from './server/accounts/person.ts';
import { askingOf } from './server/http/endpoint.ts';
import { errorPage, refusedPage, toSignIn } from './server/http/error-page.ts';
import {
  bareContentPolicy,
  knownMethods,
  refuseForeignName,
  refuseForeignWrite,
  securityHeaders,
} from './server/http/guard.ts';
import { answerTo, problemResponse } from './server/http/problem.ts';
import { answerAhead } from './server/access/shop-access.ts';
import { turnAway } from './server/at-the-door.ts';
import { watchExperiments } from './server/experiments/guard.ts';
import { keepElement } from './server/element/element-files.ts';
import { beginMetrics, noteAnswered } from './server/health/metrics.ts';
import { randomId } from './server/random-id.ts';
import { watchOutbox } from './server/receivers/send-due.ts';
import { requestId } from './server/request-id.ts';
import { standInsAreOn } from './server/stand-ins/stand-ins-on.ts';
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

beginMetrics();

export const onRequest = defineMiddleware((context, next) =>
  requestId.run(context.locals.requestId ?? randomId(16), async () => {
    const began = performance.now();
    if (context.locals.door) context.locals.door.turnAway = turnAway;
    const response = await guarded(context, next);
    const { request, routePattern: route } = context;
    noteAnswered({ method: request.method, route, status: response.status, ms: performance.now() - began });
    return response;
  }),
);

async function guarded(context: APIContext, next: () => Promise<Response>): Promise<Response> {
  const { request, url } = context;
  const response =
    refuseUnknownMethod(request) ??
    refuseForeignName(request) ??
    (request.method === 'OPTIONS' ? await ahead(request, url) : null) ??
    refuseForeignWrite(request, url) ??
    refuseStandIn(context) ??
    (await answered(context, next));
  for (const [name, value] of Object.entries(securityHeaders))
    if (!response.headers.has(name)) response.headers.set(name, value);
  if (!response.headers.has('content-security-policy'))
    response.headers.set('content-security-policy', bareContentPolicy);
  return response;
}

/** Told to a browser that asks before a page makes a call of the shop; null: it goes on. */
async function ahead(request: Request, url: URL): Promise<Response | null> {
  try {
    return await answerAhead(request, url);
  } catch (error) {
    return answerTo(error);
  }
}

/** What stands in for outside services is no part of a Summant that is used. */
function refuseStandIn({ routePattern: route }: APIContext): Response | null {
  const isOne = route.startsWith('/stand-ins/') || route.startsWith('/api/stand-ins/');
  if (!isOne || standInsAreOn()) return null;
  return problemResponse({
    status: 404,
    title: 'The stand-ins are off',
    detail:
      'Nothing was changed. Simulated outside services answer where Summant is started with SUMMANT_STAND_INS=on.',
  });
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

/** A page is shown to who may see it, and drawn to its end before it is sent, so that one that cannot be drawn becomes a page that says so. */
async function answered(context: APIContext, next: () => Promise<Response>): Promise<Response> {
  const { routePattern: route, locals, url } = context;
  const isCall = route.startsWith('/api/') || route.startsWith('/published/');
  try {
    if (isCall) return await next();
    const { person, refused } = await accessOf({ needs: needOfPage(route) }, askingOf(context));
    if (refused?.status === 403 && person) await noteRefusal(person, locals.client?.() ?? null, `The page ${route}`);
    if (refused) return refused === signInFirst ? toSignIn(url) : refusedPage(refused);
    locals.person = person;
    const response = await next();
    if (!response.headers.get('content-type')?.startsWith('text/html')) return response;
    // What somebody has seen is not shown to whoever sits there after they have signed out.
    if (person?.signedIn) response.headers.set('cache-control', 'no-store');
    return new Response(await response.text(), response);
  } catch (error) {
    return isCall ? answerTo(error) : errorPage(error);
  }
}
