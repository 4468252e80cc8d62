import type { CallShape } from '../../contract/call.ts';
import { calls } from '../../contract/calls.ts';
import { problemResponse } from './problem.ts';

const safe = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Calls of the shop that read and change nothing; its servers may forward a shopper's Origin. */
const openToOthers = new Set(
  Object.entries<CallShape>(calls).flatMap(([name, { shop }]) => (shop === 'quotes' ? [name.split(' ')[1]!] : [])),
);

/** Refuses writes that another site makes a browser send. Null: the request may go on. */
export function refuseForeignWrite(request: Request, url: URL): Response | null {
  if (safe.has(request.method) || openToOthers.has(url.pathname.replace(/\/+$/, ''))) return null;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const sameOrigin = origin === null || origin === url.origin || isOurs(origin, request.headers.get('host'));
  if (sameOrigin && (site === null || site === 'same-origin' || site === 'none')) return null;
  return problemResponse({
    status: 403,
    title: 'Only Summant’s own pages may change something',
    detail: 'The request came from another site. Nothing was changed.',
  });
}

/**
 * Refuses requests under a name that is not ours: a foreign page whose name was made to lead to this machine would
 * otherwise count as the same origin. Loopback names are ours, and those in SUMMANT_HOSTS, separated by commas.
 */
export function refuseForeignName(request: Request): Response | null {
  const host = request.headers.get('host');
  const name = host?.replace(/:\d+$/, '').toLowerCase();
  if (name === undefined || loopback.has(name) || name === process.env.HOST?.toLowerCase() || ownNames().includes(name))
    return null;
  return problemResponse({
    status: 421,
    title: 'Summant does not go by this name',
    detail: 'Nothing was changed. If the name is right, add it to SUMMANT_HOSTS and start Summant again.',
  });
}

const loopback = new Set(['localhost', '127.0.0.1', '[::1]']);

function ownNames(): string[] {
  return (process.env.SUMMANT_HOSTS ?? '')
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter((name) => name !== '');
}

/** Whether an origin is this application under the name it was asked by: in the clear on loopback, over TLS under a name of a proxy. */
function isOurs(origin: string, host: string | null): boolean {
  try {
    const { host: of, protocol } = new URL(origin);
    if (of !== host) return false;
    return loopback.has(of.replace(/:\d+$/, ''))
      ? protocol === 'http:'
      : protocol === 'https:' || process.env.HOST !== undefined;
  } catch {
    return false;
  }
}

export const securityHeaders: Record<string, string> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};

/** What answers that are no page may load or be shown in: nothing. Pages have their own policy. */
export const bareContentPolicy = "default-src 'none'; frame-ancestors 'none'; sandbox";

/** Methods that are known here at all. */
export const knownMethods: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']);

/**
 * This process as it can reach itself, for the stand-ins that it serves: as it was started, never as a request says.
 * An outside service in their place is named in SUMMANT_CARRIERS and SUMMANT_RATE_FEED.
 */
export const ownAddress = (): string =>
  process.env.SUMMANT_OWN_ADDRESS ?? `http://127.0.0.1:${process.env.PORT ?? '4321'}`;
export const usualCarrierAddress = (): URL =>
  new URL(process.env.SUMMANT_CARRIERS ?? '/stand-ins/carrier', ownAddress());
export const rateFeed = (): URL => new URL(process.env.SUMMANT_RATE_FEED ?? '/stand-ins/rate-feed.csv', ownAddress());
