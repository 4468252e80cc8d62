import { beyondAnyLimit, type MarketLimit } from '../../core/people/market-limit.ts';
import { whyNot, type Need, type Role } from '../../core/people/roles.ts';
import { anyAccounts } from './account-store.ts';
import { sessionToken } from './session-cookie.ts';
import { personOfSession, type SessionPerson } from './sessions.ts';
import { callLimiter, overLimit } from '../http/call-rate.ts';
import type { Problem } from '../http/problem.ts';

/** Who asks. */
export interface Person {
  /** as history and lists say who did something */
  name: string;
  role: Role;
  markets: MarketLimit;
  /** null: nobody has an account, and this is whoever sits at the machine that Summant runs on */
  signedIn: SessionPerson | null;
}

/** Whoever sits at this machine may everything as long as nobody has an account. */
const atThisMachine: Person = { name: 'local user', role: 'own', markets: null, signedIn: null };

/** What somebody wants to do. */
export interface Wanted {
  needs: Need;
  /** whether what it changes is looked at where it is changed; else it is taken to concern every market */
  limited?: boolean;
}

const changes = (needs: Need): boolean => needs === 'edit' || needs === 'release';

/** Whether somebody may do something: the person, or what to answer. */
export type Access = { person: Person | null; refused: null } | { person: Person | null; refused: Problem };

/** A request, and where it comes from. */
export interface Asking {
  request: Request;
  /** whether this machine asks, without a proxy between */
  local: boolean;
  /** address of whoever asks; null: it is not known */
  client: () => string | null;
}

const limiters = {
  /** of one account: more than anybody’s hands do, and than pages ask for by themselves */
  person: callLimiter('SUMMANT_RATE_PERSON', 1200),
  /** of whoever is not signed in, from one address */
  address: callLimiter('SUMMANT_RATE_ADDRESS', 3000),
};

/** The one place where it is decided who asks and whether he may. Without accounts only this machine is served. */
export async function accessOf({ needs, limited }: Wanted, asking: Asking): Promise<Access> {
  if (needs === 'anyone') return { person: null, refused: tooManyFrom(asking) };
  const accounts = await anyAccounts();
  const person = accounts ? await signedIn(asking.request) : whoeverIsHere(asking.local);
  if (!person) return { person, refused: tooManyFrom(asking) ?? (accounts ? signInFirst : nobodyYet) };
  const over = person.signedIn ? overLimit(limiters.person, person.signedIn.accountId) : null;
  if (over) return { person, refused: over };
  const reason = whyNot(person.role, needs) ?? (changes(needs) && !limited ? beyondAnyLimit(person.markets) : null);
  return { person, refused: reason === null ? null : mayNot(reason) };
}

/** Whoever sits at this machine is not counted. */
const tooManyFrom = ({ local, client }: Asking): Problem | null =>
  local ? null : overLimit(limiters.address, client() ?? 'not known');

const whoeverIsHere = (local: boolean): Person | null => (local ? atThisMachine : null);

async function signedIn(request: Request): Promise<Person | null> {
  const token = sessionToken(request);
  const found = token === null ? null : await personOfSession(token);
  return found && { name: found.name, role: found.role, markets: found.markets, signedIn: found };
}

/** RFC 9110, 11.6.1: an answer of this kind says by what one shows who one is. */
const challenge = { 'www-authenticate': 'Session realm="Summant"' };

export const signInFirst: Problem = {
  status: 401,
  title: 'Sign in first',
  detail: 'Nothing was changed. You are not signed in, or your session is over.',
  headers: challenge,
};
const nobodyYet: Problem = {
  status: 401,
  title: 'Nobody can sign in here yet',
  detail:
    'Nothing was changed. Summant serves the machine that it runs on until somebody has an account. Its start prints a link that makes the first.',
  headers: challenge,
};

const mayNot = (reason: string): Problem => ({
  status: 403,
  title: 'You may not do this',
  detail: `Nothing was changed. ${reason}`,
});
