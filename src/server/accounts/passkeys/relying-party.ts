import { isIP } from 'node:net';

/** What passkeys are bound to: the name that pages are asked by, and where they come from (Web Authentication 3, 5.1.2). */
export interface RelyingParty {
  id: string;
  origin: string;
}

/** @returns null where there can be none: an address is no name, and so no passkey is ever for it */
export function relyingPartyOf(request: Request): RelyingParty | null {
  const origin = request.headers.get('origin');
  if (origin === null || !URL.canParse(origin)) return null;
  const { hostname } = new URL(origin);
  return isIP(hostname.replace(/^\[|\]$/g, '')) === 0 ? { id: hostname, origin } : null;
}
