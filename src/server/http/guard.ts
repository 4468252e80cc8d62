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

/**
 * Refuses requests under a name that is not ours: a foreign page whose name was made to lead to this machine would
 * otherwise count as the same origin. Loopback names are ours, and those in SUMMANT_HOSTS, separated by commas.
 */
export function refuseForeignName(request: Request): Response | null {
  const host = request.headers.get('host');
  const name = host?.replace(/:\d+$/, '').toLowerCase();
  if (name === undefined || loopback.has(name) || name === process.env.HOST?.toLowerCase() || ownNames().includes(name)) return null;
  return problemResponse({ status: 421, title: 'Summant does not go by this name', detail: 'Nothing was changed. If the name is right, add it to SUMMANT_HOSTS and start Summant again.' });
}

const loopback = new Set(['localhost', '127.0.0.1', '[::1]']);

function ownNames(): string[] {
  return (process.env.SUMMANT_HOSTS ?? '').split(',').map((name) => name.trim().toLowerCase());
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

/** This process as the request has reached it, for the stand-ins that it serves itself. Foreign names have been refused. */
export function ownAddress(request: Request): string {
  return `http://${request.headers.get('host') ?? '127.0.0.1'}`;
}
