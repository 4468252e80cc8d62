import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { OwnAccount } from '../../contract/shapes/account.ts';
import type { MarketLimit } from '../../core/people/market-limit.ts';
import type { Role } from '../../core/people/roles.ts';
import { database, reading } from '../database/pool.ts';
import { heldFor } from '../held.ts';
import { isRandomId, randomId } from '../random-id.ts';
import { storeId } from '../store-id.ts';
import { limitFrom } from './limit-columns.ts';
import { clearingCookie, sessionToken, settingCookie } from './session-cookie.ts';
import { hashOfToken, newToken } from './tokens.ts';

/** A session ends so many days after it began, or after it was last used. */
const [longestDays, idleDays] = [30, 3];
const live = `s.made_at > DATE_SUB(UTC_TIMESTAMP(3), INTERVAL ${longestDays} DAY) AND s.used_at > DATE_SUB(UTC_TIMESTAMP(3), INTERVAL ${idleDays} DAY)`;
/** When it was used is kept to the minute, so that its use costs next to nothing. s */
const notedEvery = 60;

/** Who asks, under a session. */
export interface SessionPerson {
  accountId: string;
  name: string;
  role: Role;
  markets: MarketLimit;
  session: string;
}

export interface Browser {
  /** what it calls itself */
  browser: string;
  address: string;
}

export const browserOf = (request: Request, client: string | null): Browser => ({
  browser: (request.headers.get('user-agent') ?? '').slice(0, 200),
  address: client ?? '',
});

/** Whose session it is; null where it is over, or none. */
export async function personOfSession(token: string): Promise<SessionPerson | null> {
  const hash = hashOfToken(token);
  const [[row]] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT s.id, s.account_id, a.name, a.role, a.markets, TIMESTAMPDIFF(SECOND, s.used_at, UTC_TIMESTAMP(3)) AS unused FROM account_session s JOIN account a ON a.store_id = s.store_id AND a.id = s.account_id WHERE s.store_id = ? AND s.token_hash = ? AND ${live}`,
      [storeId, hash],
    ),
  );
  if (!row) return null;
  if (Number(row.unused) >= notedEvery)
    database()
      .query('UPDATE account_session SET used_at = UTC_TIMESTAMP(3) WHERE token_hash = ?', [hash])
      .catch(() => {});
  return {
    accountId: String(row.account_id),
    name: String(row.name),
    role: row.role as Role,
    markets: limitFrom(row),
    session: String(row.id),
  };
}

/** For so long addresses are taken to be known still, or not yet. ms */
const addressesHold = 5000;
const addresses = heldFor(addressesHold, async () => {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT DISTINCT s.address FROM account_session s WHERE s.store_id = ? AND s.address <> '' AND ${live} LIMIT 10000`,
      [storeId],
    ),
  );
  return new Set(rows.map((row) => String(row.address)));
});

/** Whether somebody is signed in from an address, as of some seconds ago: tries that come in hundreds do not ask the database each. */
export const signedInFrom = async (address: string | null): Promise<boolean> =>
  address !== null && (await addresses.get()).has(address);

/** The same, for who cannot wait; as long as it is not known somebody may be. */
export function maybeSignedInFrom(address: string | null): boolean {
  const known = address === null ? null : addresses.get();
  return known !== null && (known instanceof Promise || known.has(address!));
}

/** Begins a session, in place of the one that the browser had. @returns the header that gives it to the browser */
export async function beginSession(
  connection: PoolConnection,
  accountId: string,
  request: Request,
  { browser, address }: Browser,
): Promise<Record<'set-cookie', string>> {
  const before = sessionToken(request);
  if (before !== null)
    await connection.query('DELETE FROM account_session WHERE store_id = ? AND token_hash = ?', [
      storeId,
      hashOfToken(before),
    ]);
  await connection.query(`DELETE s FROM account_session s WHERE s.store_id = ? AND NOT (${live})`, [storeId]);
  const token = newToken();
  await connection.query(
    'INSERT INTO account_session (token_hash, store_id, id, account_id, made_at, used_at, browser, address) VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3), UTC_TIMESTAMP(3), ?, ?)',
    [hashOfToken(token), storeId, randomId(12), accountId, browser, address],
  );
  return { 'set-cookie': settingCookie(token, longestDays) };
}

/** Ends the session that a request shows, if it shows one. */
export async function endOwnSession(request: Request): Promise<Record<'set-cookie', string>> {
  const token = sessionToken(request);
  if (token !== null)
    await database().query('DELETE FROM account_session WHERE store_id = ? AND token_hash = ?', [
      storeId,
      hashOfToken(token),
    ]);
  return { 'set-cookie': clearingCookie };
}

/** Ends all sessions of an account. @param but id of one that goes on */
export async function endSessions(
  connection: PoolConnection,
  accountId: string,
  but: string | null = null,
): Promise<void> {
  await connection.query('DELETE FROM account_session WHERE store_id = ? AND account_id = ? AND NOT (id <=> ?)', [
    storeId,
    accountId,
    but,
  ]);
}

/** Ends one session of an account. */
export async function endSession(accountId: string, id: string): Promise<void> {
  if (!isRandomId(id, 12)) return;
  await database().query('DELETE FROM account_session WHERE store_id = ? AND account_id = ? AND id = ?', [
    storeId,
    accountId,
    id,
  ]);
}

/** The newest first. @param here id of the session that asks */
export async function sessionsOf(accountId: string, here: string): Promise<OwnAccount['sessions']> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT s.id, s.made_at, s.used_at, s.browser, s.address FROM account_session s WHERE s.store_id = ? AND s.account_id = ? AND ${live} ORDER BY s.made_at DESC, s.id LIMIT 200`,
      [storeId, accountId],
    ),
  );
  return rows.map((row) => ({
    id: String(row.id),
    madeAt: (row.made_at as Date).toISOString(),
    usedAt: (row.used_at as Date).toISOString(),
    browser: String(row.browser),
    address: String(row.address),
    here: row.id === here,
  }));
}
