import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { AccountLink } from '../../contract/shapes/account.ts';
import type { Problem } from '../http/problem.ts';
import { storeId } from '../store-id.ts';
import { noSuchLink, signInTaken } from './account-problems.ts';
import { addAccount, changingPeople } from './account-store.ts';
import { easyPassword } from './easy-passwords.ts';
import { findAgain } from './finding-again.ts';
import { addLink, dropLinks, linkOf, takeLink } from './links.ts';
import { hashPassword } from './passwords.ts';
import { makeCodes } from './recovery-codes.ts';
import { beginSession, browserOf } from './sessions.ts';
import { lineFault, type From } from './signing-in.ts';
import { throttled } from './throttle.ts';
import { hashOfToken } from './tokens.ts';

/** Links are long and random: what is counted are tries of whatever from one address. */
const tryOf = ({ client }: From) => ({ of: null, from: client() });

export const lookAtLink = (token: string, from: From): Promise<AccountLink | Problem> =>
  throttled(tryOf(from), async () => (await linkOf(token)) ?? noSuchLink);

interface Joining {
  token: string;
  name: string;
  signIn: string;
  password: string;
}

/** An account made, or found again, with its codes and the header that gives the browser its session. */
export interface Joined {
  codes: string[];
  headers: Record<string, string>;
}

/** Thrown to undo a transaction whose outcome is a problem. */
export class Undone extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title);
  }
}

/** Does what a link is for, and uses it up. */
export async function joinByLink(joining: Joining, from: From): Promise<Joined | Problem> {
  const { token, name, signIn, password } = joining;
  const fault = lineFault(from.request) ?? easyPassword(password, [name, signIn]);
  if (fault) return fault;
  return throttled(tryOf(from), async () => {
    if (!(await linkOf(token))) return noSuchLink;
    const passwordHash = await hashPassword(password);
    try {
      return await changingPeople((connection) =>
        joinWith(connection, { link: hashOfToken(token), name, signIn, passwordHash }, from),
      );
    } catch (error) {
      if (error instanceof Undone) return error.problem;
      throw error;
    }
  });
}

/** What somebody joins with. */
export interface JoiningWith {
  /** hash of what the link is good for */
  link: Buffer;
  name: string;
  signIn: string;
  /** null: a provider says who it is */
  passwordHash: string | null;
}

/** Makes the account that a link is for, or finds it again. @param made what else belongs to it @throws Undone */
export async function joinWith(
  connection: PoolConnection,
  joining: JoiningWith,
  { request, client }: From,
  made: (accountId: string) => Promise<void> = () => Promise.resolve(),
): Promise<Joined> {
  const link = await takeLink(connection, joining.link);
  if (!link || (link.kind === 'first' && (await hasAccounts(connection)))) throw new Undone(noSuchLink);
  const accountId =
    link.accountId ??
    (await addAccount(connection, { ...joining, role: link.role, markets: link.markets, madeBy: link.madeBy }));
  if (accountId === null) throw new Undone(signInTaken);
  if (link.kind === 'way-back') {
    if (joining.passwordHash === null) throw new Undone(noSuchLink);
    await findAgain(connection, accountId, joining.passwordHash);
  }
  await made(accountId);
  const codes = await makeCodes(connection, accountId);
  return { codes, headers: await beginSession(connection, accountId, request, browserOf(request, client())) };
}

async function hasAccounts(connection: PoolConnection): Promise<boolean> {
  const [rows] = await connection.query<RowDataPacket[]>('SELECT 1 FROM account WHERE store_id = ? LIMIT 1', [storeId]);
  return rows.length > 0;
}

/** The link that makes the first account, in place of that of an earlier start. @returns its path; null: there is an account */
export const firstLink = (): Promise<string | null> =>
  changingPeople(async (connection) => {
    if (await hasAccounts(connection)) return null;
    await dropLinks(connection, 'kind', 'first');
    const { path } = await addLink(connection, {
      kind: 'first',
      accountId: null,
      name: '',
      role: 'own',
      markets: null,
      madeBy: 'the start of Summant',
    });
    return path;
  });
