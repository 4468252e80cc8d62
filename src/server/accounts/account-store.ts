import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { OwnAccount } from '../../contract/shapes/account.ts';
import type { MarketLimit } from '../../core/people/market-limit.ts';
import type { Role } from '../../core/people/roles.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { heldFor } from '../held.ts';
import { randomId } from '../random-id.ts';
import type { Soon } from '../soon.ts';
import { storeId } from '../store-id.ts';
import { limitFrom, writtenLimit } from './limit-columns.ts';
import { passkeysOf } from './passkeys/passkey-store.ts';
import { identityOf } from './provider/identity-store.ts';
import { providerName } from './provider/relying.ts';
import { codesLeft, makeCodes } from './recovery-codes.ts';
import { sessionsOf, type SessionPerson } from './sessions.ts';
import { signInKey } from './sign-in-key.ts';

/** For so long another process goes on serving this machine alone after the first account has been made. ms */
const holdsFor = 1000;
const known = heldFor(holdsFor, async () => {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT 1 FROM account WHERE store_id = ? LIMIT 1', [storeId]),
  );
  return rows.length > 0;
});

/** Whether people sign in here. */
export const anyAccounts = (): Soon<boolean> => known.get();

/** Work on people that no other process does at the same time. */
export async function changingPeople<T>(work: (connection: PoolConnection) => Promise<T>): Promise<T> {
  try {
    return await inTransaction(async (connection) => {
      await connection.query('SELECT store_id FROM people WHERE store_id = ? FOR UPDATE', [storeId]);
      return work(connection);
    });
  } finally {
    known.forget();
  }
}

export interface NewAccount {
  name: string;
  signIn: string;
  role: Role;
  markets: MarketLimit;
  madeBy: string;
  /** null: a provider says who it is */
  passwordHash: string | null;
}

/** @returns its id; null where somebody else signs in so */
export async function addAccount(connection: PoolConnection, account: NewAccount): Promise<string | null> {
  const { name, signIn, role, markets, madeBy, passwordHash } = account;
  const key = signInKey(signIn);
  const [taken] = await connection.query<RowDataPacket[]>(
    'SELECT id FROM account WHERE store_id = ? AND sign_in_key = ?',
    [storeId, key],
  );
  if (taken.length > 0) return null;
  const id = randomId(12);
  await connection.query(
    'INSERT INTO account (store_id, id, name, sign_in, sign_in_key, role, markets, password_hash, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3))',
    [storeId, id, name.trim(), signIn.trim(), key, role, writtenLimit(markets), passwordHash, madeBy],
  );
  return id;
}

export interface Credentials {
  id: string;
  name: string;
  /** null: there is no password */
  passwordHash: string | null;
}

const credentialsFrom = (row: RowDataPacket | undefined): Credentials | null =>
  row ? { id: String(row.id), name: String(row.name), passwordHash: row.password_hash as string | null } : null;

/** What an account is signed in to with. @param by what was typed, or its id */
export async function credentialsOf(by: { signIn: string } | { id: string }): Promise<Credentials | null> {
  const [column, value] = 'id' in by ? (['id', by.id] as const) : (['sign_in_key', signInKey(by.signIn)] as const);
  const [[row]] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT id, name, password_hash FROM account WHERE store_id = ? AND ?? = ?', [
      storeId,
      column,
      value,
    ]),
  );
  return credentialsFrom(row);
}

/** @returns false: there is no such account any more */
export async function setPassword(connection: PoolConnection, id: string, passwordHash: string): Promise<boolean> {
  const [{ affectedRows }] = (await connection.query(
    'UPDATE account SET password_hash = ? WHERE store_id = ? AND id = ?',
    [passwordHash, storeId, id],
  )) as unknown as [{ affectedRows: number }];
  return affectedRows > 0;
}

export const setOwnName = (id: string, name: string): Promise<void> =>
  inTransaction(async (connection) => {
    await connection.query('UPDATE account SET name = ? WHERE store_id = ? AND id = ?', [name.trim(), storeId, id]);
  });

export const newCodesOf = (id: string): Promise<string[]> => inTransaction((connection) => makeCodes(connection, id));

/** The provider as somebody sees it; null: there is none. */
async function providerOf(accountId: string): Promise<OwnAccount['provider']> {
  const name = providerName();
  return name === null ? null : { name, connected: await identityOf(accountId) };
}

/** The account of who asks, as he sees it. @returns null: it is gone */
export async function ownAccount({ accountId, session }: SessionPerson): Promise<OwnAccount | null> {
  const [[row]] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT name, sign_in, role, markets, password_hash IS NOT NULL AS has_password FROM account WHERE store_id = ? AND id = ?',
      [storeId, accountId],
    ),
  );
  if (!row) return null;
  return {
    name: String(row.name),
    signIn: String(row.sign_in),
    role: row.role as Role,
    markets: limitFrom(row),
    hasPassword: Number(row.has_password) === 1,
    provider: await providerOf(accountId),
    codesLeft: await codesLeft(accountId),
    passkeys: (await passkeysOf(accountId)).map(({ credentialId: _, ...passkey }) => passkey),
    sessions: await sessionsOf(accountId, session),
  };
}
