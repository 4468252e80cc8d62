import { randomBytes } from 'node:crypto';
import { standInClient } from './client.ts';

/** Whoever signs in at the stand-in is one of these, all made up. */
export const standInPeople = {
  maren: { name: 'Maren Holt', email: 'maren.holt@example.com' },
  jon: { name: 'Jon Verbeek', email: 'jon.verbeek@example.com' },
  ada: { name: 'Ada Lind', email: 'ada.lind@example.com' },
} as const;
export type StandInPerson = keyof typeof standInPeople;

export const isStandInPerson = (id: string): id is StandInPerson => Object.hasOwn(standInPeople, id);

/** What a code is good for, once and within a minute. */
export interface Grant {
  person: StandInPerson;
  back: string;
  nonce: string;
  /** RFC 7636, 4.2 */
  challenge: string;
  until: number;
}

const goodFor = 60_000;
/** More codes than that are not kept at once; the oldest go. */
const mostKept = 1000;
const grants = new Map<string, Grant>();

/** Whether an address is one that Summant would be at on this machine: the stand-in sends nobody anywhere else. */
function isOurBack(back: string): boolean {
  if (!URL.canParse(back)) return false;
  const { protocol, hostname, pathname } = new URL(back);
  return protocol === 'http:' && ['localhost', '127.0.0.1', '[::1]'].includes(hostname) && pathname === '/sign-in/back';
}

/** Why somebody cannot sign in so; null: they can (OpenID Connect Core 1.0, 3.1.2.2). */
export function askedFault(asked: URLSearchParams): string | null {
  if (asked.get('client_id') !== standInClient.client) return 'The stand-in knows nobody but Summant.';
  if (!isOurBack(asked.get('redirect_uri') ?? '')) return 'The stand-in sends people back to this machine only.';
  if (asked.get('response_type') !== 'code' || asked.get('code_challenge_method') !== 'S256')
    return 'The stand-in gives codes, to whoever shows a challenge by S256.';
  return null;
}

/** Where somebody goes who has signed in. @param asked without a fault @param person null: nobody wanted to */
export function backFrom(asked: URLSearchParams, person: StandInPerson | null, issuer: string): string {
  const back = asked.get('redirect_uri')!;
  const url = new URL(back);
  url.searchParams.set('state', asked.get('state') ?? '');
  url.searchParams.set('iss', issuer);
  if (person === null) {
    url.searchParams.set('error', 'access_denied');
    return url.href;
  }
  const code = randomBytes(24).toString('base64url');
  const [oldest] = grants.keys();
  if (grants.size >= mostKept && oldest !== undefined) grants.delete(oldest);
  grants.set(code, {
    person,
    back,
    nonce: asked.get('nonce') ?? '',
    challenge: asked.get('code_challenge') ?? '',
    until: Date.now() + goodFor,
  });
  url.searchParams.set('code', code);
  return url.href;
}

/** What a code is good for; it is used up. */
export function takeGrant(code: string): Grant | null {
  const grant = grants.get(code);
  grants.delete(code);
  return grant && Date.now() < grant.until ? grant : null;
}
