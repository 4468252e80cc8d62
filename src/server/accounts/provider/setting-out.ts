import type { Problem } from '../../http/problem.ts';
import { isProblem } from '../../http/problem.ts';
import { noOrigin, noProvider, noSuchLink, signInTaken } from '../account-problems.ts';
import { credentialsOf } from '../account-store.ts';
import { linkOf } from '../links.ts';
import { confirmed } from '../own-account.ts';
import type { SessionPerson } from '../sessions.ts';
import { lineFault, type From } from '../signing-in.ts';
import { begin, throttled } from '../throttle.ts';
import { hashOfToken, newToken } from '../tokens.ts';
import { settingJourneyCookie } from './journey-cookie.ts';
import { keepJourney, type Purpose } from './journeys.ts';
import { providerName, wayToProvider } from './relying.ts';

/** Where the browser goes, with the header by which it is known again. */
export interface SettingOut {
  address: string;
  headers: Record<string, string>;
}

export const toSignIn = (next: string, from: From): Promise<SettingOut | Problem> =>
  begin(from.client(), () => setOut({ purpose: 'sign-in', next }, from));

/** Makes an account in place of one with a password. The way back for somebody who has forgotten it is another thing. */
export const toJoin = (
  { token, name, signIn }: { token: string; name: string; signIn: string },
  from: From,
): Promise<SettingOut | Problem> =>
  throttled({ of: null, from: from.client() }, async () => {
    const link = await linkOf(token);
    if (!link || link.kind === 'way-back') return noSuchLink;
    if (await credentialsOf({ signIn })) return signInTaken;
    return setOut({ purpose: 'join', link: hashOfToken(token), name, signIn }, from);
  });

/** Asks for the password: whoever finds an open session adds no way in. */
export const toConnect = ({ accountId }: SessionPerson, password: string, from: From): Promise<SettingOut | Problem> =>
  confirmed({ accountId }, password, from, () => setOut({ purpose: 'connect', accountId }, from));

async function setOut(purpose: Purpose, { request }: From): Promise<SettingOut | Problem> {
  if (providerName() === null) return noProvider;
  const origin = request.headers.get('origin');
  if (origin === null || !URL.canParse(origin)) return noOrigin;
  const fault = lineFault(request);
  if (fault) return fault;
  const way = await wayToProvider(new URL('/sign-in/back', origin).href);
  if (isProblem(way)) return way;
  const browser = newToken();
  await keepJourney({ ...way.expected, ...purpose }, browser);
  return { address: way.address, headers: { 'set-cookie': settingJourneyCookie(browser) } };
}
