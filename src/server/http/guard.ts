import { problemResponse } from './problem.ts';

const safe = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Calls of the shop, which reads and changes nothing; its servers may forward a shopper's Origin. */
const openToOthers = new Set(['/api/quote']);

/** Refuses writes that another site makes a browser send. Null: the request may go on. */
export function refuseForeignWrite(request: Request, url: URL): Response | null {
  if (safe.has(request.method) || openToOthers.has(url.pathname)) return null;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const sameOrigin = origin === null || origin === url.origin || hostOf(origin) === request.headers.get('host');
  if (sameOrigin && (site === null || site === 'same-origin' || site === 'none')) return null;
  return problemResponse({ status: 403, title: 'Only Summant’s own pages may change something', detail: 'The request came from another site. Nothing was changed.' });
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

export const securityHeaders: Record<string, string> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};
