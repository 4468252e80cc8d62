import type { PoolConnection } from 'mysql2/promise';
import { inTransaction } from '../database/pool.ts';
import type { Problem } from '../http/problem.ts';
import { plainLine, wrongSignIn } from './account-problems.ts';
import { credentialsOf, type Credentials } from './account-store.ts';
import { easyPassword } from './easy-passwords.ts';
import { findAgain } from './finding-again.ts';
import { hashPassword, isPassword } from './passwords.ts';
import { useCode } from './recovery-codes.ts';
import { beginSession, browserOf, signedInFrom } from './sessions.ts';
import { signInKey } from './sign-in-key.ts';
import { throttledWithRoom, type Try } from './throttle.ts';

/** A request as signing in looks at it. */
export interface From {
  request: Request;
  client: () => string | null;
}

/** Somebody signed in, with the header that gives the browser its session. */
export interface SignedIn {
  name: string;
  headers: Record<string, string>;
}

const loopback = /^http:\/\/(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/** Why a password may not travel on the line that a page was loaded over; null: it may. */
export function lineFault(request: Request): Problem | null {
  const origin = request.headers.get('origin');
  return origin !== null && origin.startsWith('http:') && !loopback.test(origin) ? plainLine : null;
}

const tryOf = (signIn: string, { client }: From): Try => ({ of: signInKey(signIn), from: client() });

const looked = <T extends object>(signIn: string, from: From, look: () => Promise<T | Problem>): Promise<T | Problem> =>
  throttledWithRoom(tryOf(signIn, from), () => signedInFrom(from.client()), look);

const begun = (connection: PoolConnection, { id }: Credentials, { request, client }: From) =>
  beginSession(connection, id, request, browserOf(request, client()));

export async function signInWithPassword(
  { signIn, password }: { signIn: string; password: string },
  from: From,
): Promise<SignedIn | Problem> {
  return (
    lineFault(from.request) ??
    looked(signIn, from, async () => {
      const account = await credentialsOf({ signIn });
      if (!(await isPassword(account?.passwordHash ?? null, password)) || !account) return wrongSignIn;
      return { name: account.name, headers: await inTransaction((connection) => begun(connection, account, from)) };
    })
  );
}

/** Whoever has a code sets a new password with it; what else led into the account ends. */
export async function signInWithCode(
  { signIn, code, password }: { signIn: string; code: string; password: string },
  from: From,
): Promise<SignedIn | Problem> {
  return (
    lineFault(from.request) ??
    easyPassword(password, [signIn]) ??
    looked(signIn, from, async () => {
      const account = await credentialsOf({ signIn });
      // Worked out for nobody too, so that how long it takes says nothing.
      const passwordHash = await hashPassword(password);
      if (!account) return wrongSignIn;
      const headers = await inTransaction(async (connection) => {
        if (!(await useCode(connection, account.id, code))) return null;
        await findAgain(connection, account.id, passwordHash);
        return begun(connection, account, from);
      });
      return headers ? { name: account.name, headers } : wrongSignIn;
    })
  );
}
