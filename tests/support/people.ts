import type { MadeLink } from '../../src/contract/shapes/account.ts';
import type { MarketLimit } from '../../src/core/people/market-limit.ts';
import type { Role } from '../../src/core/people/roles.ts';

export const password = 'four kites over heath';

/** The session that an answer gives, as a browser sends it back; null: it gives none. */
export const cookieOf = (response: Response): string | null =>
  /^__Host-summant-session=[^;]+/.exec(response.headers.get('set-cookie') ?? '')?.[0] ?? null;

/** Makes the account that a link is for. @param path as it ends in its token @returns the session, as a browser sends it back */
export async function joinBy(address: string, path: string, signIn: string, name = signIn): Promise<string> {
  const response = await fetch(`${address}/api/links/use`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ token: path.split('#')[1], name, signIn, password }),
  });
  const cookie = cookieOf(response);
  if (response.status !== 201 || cookie === null) throw new Error(`no account was made: ${await response.text()}`);
  return cookie;
}

/** Invites somebody. @returns the path of the link */
export async function inviteBy(
  address: string,
  cookie: string,
  role: Role,
  name: string = role,
  markets: MarketLimit = null,
): Promise<string> {
  const response = await fetch(`${address}/api/people/invitations`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: JSON.stringify({ name, role, markets }),
  });
  if (response.status !== 201) throw new Error(`nobody was invited: ${await response.text()}`);
  return ((await response.json()) as MadeLink).path;
}

/** The link to the first account, as the start of the application prints it. */
export async function firstLinkOf(said: () => string): Promise<string> {
  for (let tries = 0; tries < 1200; tries++) {
    const path = /^http:\/\/\S+?(\/join#\S+)$/m.exec(said())?.[1];
    if (path) return path;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`no link was printed:\n${said()}`);
}
