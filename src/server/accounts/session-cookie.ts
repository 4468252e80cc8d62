/**
 * The prefix has browsers take it only over TLS or on this machine, from this host alone, for all of its paths
 * (RFC 6265bis, 4.1.3.2).
 */
export const sessionCookie = '__Host-summant-session';

const attributes = 'Path=/; Secure; HttpOnly; SameSite=Lax';

/** @param days for which the browser keeps it */
export const settingCookie = (token: string, days: number): string =>
  `${sessionCookie}=${token}; Max-Age=${days * 86_400}; ${attributes}`;

export const clearingCookie = `${sessionCookie}=; Max-Age=0; ${attributes}`;

/** What a request shows; null where that is nothing that was ever given. */
export function sessionToken(request: Request): string | null {
  for (const pair of (request.headers.get('cookie') ?? '').split(';')) {
    const shown = pair.trim();
    if (!shown.startsWith(`${sessionCookie}=`)) continue;
    const token = shown.slice(sessionCookie.length + 1);
    return /^[A-Za-z0-9_-]{43}$/.test(token) ? token : null;
  }
  return null;
}
