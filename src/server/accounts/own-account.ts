import type { OwnAccount } from '../../contract/shapes/account.ts';
import type { Person } from './person.ts';
import { inTransaction } from '../database/pool.ts';
import type { Problem } from '../http/problem.ts';
import { noAccount, noOtherWayIn, otherPassword } from './account-problems.ts';
import { credentialsOf, newCodesOf, ownAccount, setOwnName, setPassword } from './account-store.ts';
import { easyPassword } from './easy-passwords.ts';
import { hashPassword, isPassword } from './passwords.ts';
import { dropIdentity } from './provider/identity-store.ts';
import { beginSession, browserOf, endSession, endSessions, type SessionPerson } from './sessions.ts';
import { lineFault, type From } from './signing-in.ts';
import { throttled } from './throttle.ts';

/** What somebody does with the own account; whoever has none is told so. */
export const withOwn = <T extends object>(
  { signedIn }: Person,
  work: (self: SessionPerson) => Promise<T>,
): Promise<T | Problem> => (signedIn ? work(signedIn) : Promise.resolve(noAccount));

/** The account of whom a page is shown to; null: he has none. */
export const accountOf = async (person: Person | null | undefined): Promise<OwnAccount | null> =>
  person?.signedIn ? ownAccount(person.signedIn) : null;

export const shown = async (self: SessionPerson): Promise<OwnAccount | Problem> =>
  (await ownAccount(self)) ?? noAccount;

export async function rename(self: SessionPerson, name: string): Promise<OwnAccount | Problem> {
  await setOwnName(self.accountId, name);
  return shown(self);
}

export async function endOne(self: SessionPerson, id: string): Promise<OwnAccount | Problem> {
  await endSession(self.accountId, id);
  return shown(self);
}

export async function endOthers(self: SessionPerson): Promise<OwnAccount | Problem> {
  await inTransaction((connection) => endSessions(connection, self.accountId, self.session));
  return shown(self);
}

/** Asks for the password before what it protects is done: whoever finds an open session does not get further. */
export const confirmed = <T extends object>(
  { accountId }: Pick<SessionPerson, 'accountId'>,
  password: string,
  { client }: From,
  work: () => Promise<T | Problem>,
): Promise<T | Problem> =>
  throttled({ of: `own ${accountId}`, from: client() }, async (): Promise<T | Problem> => {
    const account = await credentialsOf({ id: accountId });
    return (await isPassword(account?.passwordHash ?? null, password)) ? work() : otherPassword;
  });

export const newCodes = (self: SessionPerson, password: string, from: From): Promise<string[] | Problem> =>
  confirmed(self, password, from, () => newCodesOf(self.accountId));

/** Takes the connection with the provider away, where that leaves another way in. */
export async function disconnect(self: SessionPerson): Promise<OwnAccount | Problem> {
  const before = await ownAccount(self);
  if (before && !before.hasPassword) return noOtherWayIn;
  await inTransaction((connection) => dropIdentity(connection, self.accountId));
  return shown(self);
}

/** Sets another password, ends every other session and renews this one. */
export async function changePassword(
  self: SessionPerson,
  { password, next }: { password: string; next: string },
  from: From,
): Promise<{ account: OwnAccount; headers: Record<string, string> } | Problem> {
  const before = await ownAccount(self);
  if (!before) return noAccount;
  const fault = lineFault(from.request) ?? easyPassword(next, [before.name, before.signIn]);
  if (fault)
    return { ...fault, ...(fault.fields ? { fields: fault.fields.map((one) => ({ ...one, pointer: '/next' })) } : {}) };
  return confirmed(self, password, from, async () => {
    const passwordHash = await hashPassword(next);
    const headers = await inTransaction(async (connection) => {
      await setPassword(connection, self.accountId, passwordHash);
      await endSessions(connection, self.accountId);
      return beginSession(connection, self.accountId, from.request, browserOf(from.request, from.client()));
    });
    // The session of before is gone: the one that has taken its place is the only one.
    const after = await ownAccount(self);
    return after
      ? { account: { ...after, sessions: after.sessions.map((one) => ({ ...one, here: true })) }, headers }
      : noAccount;
  });
}
