import type { PoolConnection } from 'mysql2/promise';
import { inTransaction } from '../../database/pool.ts';
import { isProblem, type Problem } from '../../http/problem.ts';
import { identityTaken, notConnected, noProvider, notOnTheWay, otherAccount } from '../account-problems.ts';
import { changingPeople } from '../account-store.ts';
import { joinWith, Undone } from '../joining.ts';
import { sessionToken } from '../session-cookie.ts';
import { beginSession, browserOf, personOfSession } from '../sessions.ts';
import type { From } from '../signing-in.ts';
import { throttled } from '../throttle.ts';
import { accountWith, connectIdentity } from './identity-store.ts';
import { journeyToken } from './journey-cookie.ts';
import { takeJourney, type Journey } from './journeys.ts';
import { providerName, whoCameBack, type Identity } from './relying.ts';

/** What has come of a journey. */
export interface CameBack {
  did: Journey['purpose'];
  name: string;
  /** where the browser goes on */
  next: string;
  /** of who has joined; told once */
  codes: string[];
  headers: Record<string, string>;
}

/** Ends a journey. @param query of the address that the provider sent the browser to */
export async function comeBack(query: string, from: From): Promise<CameBack | Problem> {
  if (providerName() === null) return noProvider;
  return throttled({ of: null, from: from.client() }, async () => {
    const browser = journeyToken(from.request);
    const state = new URLSearchParams(query).get('state');
    const journey = browser !== null && state !== null ? await takeJourney(state, browser) : null;
    if (!journey) return notOnTheWay;
    const identity = await whoCameBack(query, journey);
    return isProblem(identity) ? identity : arrived(journey, identity, from);
  });
}

function arrived(journey: Journey, identity: Identity, from: From): Promise<CameBack | Problem> {
  if (journey.purpose === 'sign-in') return signIn(journey, identity, from);
  return journey.purpose === 'join' ? join(journey, identity, from) : connect(journey, identity, from);
}

type Of<P extends Journey['purpose']> = Extract<Journey, { purpose: P }>;

const session = (connection: PoolConnection, accountId: string, { request, client }: From) =>
  beginSession(connection, accountId, request, browserOf(request, client()));

/** Whoever is connected with no account learns that, and nothing of any account. */
const signIn = ({ purpose: did, next }: Of<'sign-in'>, identity: Identity, from: From): Promise<CameBack | Problem> =>
  inTransaction(async (connection): Promise<CameBack | Problem> => {
    const account = await accountWith(connection, identity);
    if (!account) return notConnected;
    return { did, name: account.name, next, codes: [], headers: await session(connection, account.id, from) };
  });

/** The account is made and connected at once, or neither. */
async function join(
  { purpose: did, link, name, signIn: as }: Of<'join'>,
  identity: Identity,
  from: From,
): Promise<CameBack | Problem> {
  try {
    const { codes, headers } = await changingPeople((connection) =>
      joinWith(connection, { link, name, signIn: as, passwordHash: null }, from, async (accountId) => {
        if (!(await connectIdentity(connection, accountId, identity))) throw new Undone(identityTaken);
      }),
    );
    return { did, name, next: '/offers', codes, headers };
  } catch (error) {
    if (error instanceof Undone) return error.problem;
    throw error;
  }
}

/** Only who set out, still signed in, is connected: an address that somebody else sends connects nobody. */
async function connect({ purpose: did, accountId }: Of<'connect'>, identity: Identity, { request }: From) {
  const token = sessionToken(request);
  const self = token === null ? null : await personOfSession(token);
  if (self?.accountId !== accountId) return otherAccount;
  const connected = await changingPeople((connection) => connectIdentity(connection, accountId, identity));
  return connected ? { did, name: self.name, next: '/account', codes: [], headers: {} } : identityTaken;
}
