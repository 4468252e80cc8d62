import { calls } from '../../contract/calls.ts';
import type { CallShape } from '../../contract/call.ts';
import type { AccessKey, KeyKind } from '../../contract/shapes/access-key.ts';
import { problemResponse, type Problem } from '../http/problem.ts';
import { keyOf, liveKeys } from './keys.ts';
import { andThen, type Soon } from '../soon.ts';
import { overRate, type Client } from './rates.ts';

type Needs = NonNullable<CallShape['shop']>;

/** What becomes of a call of the shop. */
export interface ShopAccess {
  /** null: it may go on */
  refused: Response | null;
  /** the kind of key that it has shown and that may make it; null: it may not */
  key: KeyKind | null;
  /** that the answer carries for the browser that asks */
  headers: Record<string, string>;
}

/** Whether a call shows a key; without one it is made by a person, or by whoever sits at this machine. */
export const showsKey = ({ headers }: Request): boolean => headers.get('authorization') !== null;

/**
 * Whether a call may be made with the key that it shows.
 *
 * @param needs what of a key the call needs @param client tells the address of whoever asks, as far as trusted proxies do
 */
export function shopAccess(needs: Needs, request: Request, client: Client): Soon<ShopAccess> {
  const token = /^Bearer +([A-Za-z0-9._~+/=-]{1,200})$/i.exec(request.headers.get('authorization') ?? '')?.[1];
  return andThen(token === undefined ? null : keyOf(token), (key) => accessWith(key, { needs, request, client }));
}

function accessWith(
  key: AccessKey | null,
  { needs, request, client }: { needs: Needs; request: Request; client: Client },
): ShopAccess {
  const over = overRate(key, client);
  if (!key) return refuse(over ?? noSuchKey);
  const origin = request.headers.get('origin');
  const headers = key.kind === 'publishable' ? crossOrigin(key, origin) : {};
  if (over) return refuse(over, headers);
  const fault = faultOfUse(key, origin, needs);
  return fault ? refuse(fault, headers) : { refused: null, key: key.kind, headers };
}

/** Why a key may not make a call; null: it may. */
function faultOfUse(key: AccessKey, origin: string | null, needs: Needs): Problem | null {
  if (key.kind === 'secret') return origin === null ? null : secretInPage;
  if (origin === null || !key.origins.includes(origin)) return notFromThere;
  return needs === 'quotes' ? null : onlyQuotes;
}

/** What lets a page of a listed origin read the answer (Fetch standard, CORS protocol); of no other. */
const crossOrigin = ({ origins }: Pick<AccessKey, 'origins'>, origin: string | null): Record<string, string> => ({
  vary: 'Origin',
  ...(origin !== null && origins.includes(origin)
    ? { 'access-control-allow-origin': origin, 'access-control-expose-headers': 'ETag, Retry-After' }
    : {}),
});

/** Calls that pages make, by path: the methods. */
const pageCalls = new Map<string, string[]>();
for (const [name, { shop }] of Object.entries<CallShape>(calls)) {
  const [method, path] = name.split(' ') as [string, string];
  if (shop === 'quotes') pageCalls.set(path, [...(pageCalls.get(path) ?? []), method]);
}

/** A browser asks whether a page may make a call, before it is known with which key. Null: it asks nothing of the kind. */
export async function answerAhead(request: Request, { pathname }: URL): Promise<Response | null> {
  const origin = request.headers.get('origin');
  const asked = request.headers.get('access-control-request-method');
  const methods = pageCalls.get(pathname);
  if (request.method !== 'OPTIONS' || origin === null || asked === null || !methods) return null;
  const listed = (await liveKeys()).some(({ kind, origins }) => kind === 'publishable' && origins.includes(origin));
  if (!listed || !methods.includes(asked)) return problemResponse({ ...notFromThere, headers: { vary: 'Origin' } });
  const headers = {
    ...crossOrigin({ origins: [origin] }, origin),
    'access-control-allow-methods': methods.join(', '),
    'access-control-allow-headers': 'authorization, content-type, if-none-match',
    'access-control-max-age': '600',
  };
  return new Response(null, { status: 204, headers });
}

const refuse = (problem: Problem, headers: Record<string, string> = {}): ShopAccess => ({
  refused: problemResponse(problem),
  key: null,
  headers,
});

/** RFC 6750, 3: says how to show a key. */
const challenge = { 'www-authenticate': 'Bearer realm="Summant"' };

export const keyNeeded: Problem = {
  status: 401,
  title: 'A key is needed',
  detail:
    'Nothing was done. Make a key at Connections, and send it as Authorization: Bearer. Without one calls work for people who are signed in, and, as long as nobody has an account, from the machine that Summant runs on.',
  headers: challenge,
};
const noSuchKey: Problem = {
  status: 401,
  title: 'There is no such key',
  detail: 'Nothing was done. It may have been revoked, or its time is over. Connections lists the keys there are.',
  headers: challenge,
};
const notFromThere: Problem = {
  status: 403,
  title: 'This key is not for that origin',
  detail: 'Nothing was done. A publishable key is used by pages of the origins that Connections lists for it.',
};
const onlyQuotes: Problem = {
  status: 403,
  title: 'This key only asks for quotes',
  detail: 'Nothing was done. Orders are reported with a secret key, by the shop’s server.',
};
const secretInPage: Problem = {
  status: 403,
  title: 'A secret key does not belong into a page',
  detail: 'Nothing was done. Use a publishable key there, and rotate this one: whoever saw the page may have it.',
};
