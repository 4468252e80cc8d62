/**
 * The prefix has browsers take it only over TLS or on this machine, from this host alone, for all of its paths
 * (RFC 6265bis, 4.1.3.2).
 */
export type HostCookie = `__Host-${string}`;

/** @param seconds for which the browser keeps it; 0: no longer */
export const hostCookie = (name: HostCookie, token: string, seconds: number): string =>
  `${name}=${token}; Max-Age=${seconds}; Path=/; Secure; HttpOnly; SameSite=Lax`;

/** What a request shows; null where that is nothing that was ever given. */
export function cookieOf(request: Request, name: HostCookie): string | null {
  for (const pair of (request.headers.get('cookie') ?? '').split(';')) {
    const shown = pair.trim();
    if (!shown.startsWith(`${name}=`)) continue;
    const token = shown.slice(name.length + 1);
    return /^[A-Za-z0-9_-]{43}$/.test(token) ? token : null;
  }
  return null;
}
