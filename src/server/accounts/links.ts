import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { linkDays, type AccountLink, type MadeLink } from '../../contract/shapes/account.ts';
import type { MarketLimit } from '../../core/people/market-limit.ts';
import type { Role } from '../../core/people/roles.ts';
import { reading } from '../database/pool.ts';
import { randomId } from '../random-id.ts';
import { storeId } from '../store-id.ts';
import { limitFrom, writtenLimit } from './limit-columns.ts';
import { hashOfToken, newToken } from './tokens.ts';

interface NewLink {
  kind: AccountLink['kind'];
  /** of a way back */
  accountId: string | null;
  name: string;
  role: Role;
  markets: MarketLimit;
  madeBy: string;
}

/** Makes a link. What it is good for stands behind the #, which browsers send to nobody. @returns its path, for the only time */
export async function addLink(connection: PoolConnection, link: NewLink): Promise<MadeLink> {
  const { kind, accountId, name, role, markets, madeBy } = link;
  const token = newToken();
  const endsAt = new Date(Date.now() + linkDays * 86_400_000);
  await connection.query(
    'INSERT INTO account_link (token_hash, store_id, id, kind, account_id, name, role, markets, made_by, made_at, ends_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3), ?)',
    [hashOfToken(token), storeId, randomId(12), kind, accountId, name, role, writtenLimit(markets), madeBy, endsAt],
  );
  return { path: `/join#${token}`, endsAt: endsAt.toISOString() };
}

/** Takes links back that nobody has used. */
export async function dropLinks(
  connection: PoolConnection,
  by: 'kind' | 'id' | 'account_id',
  value: string,
): Promise<void> {
  await connection.query('DELETE FROM account_link WHERE store_id = ? AND ?? = ?', [storeId, by, value]);
}

interface KnownLink extends Omit<AccountLink, 'limited'> {
  id: string;
  accountId: string | null;
  markets: MarketLimit;
}

const linkFrom = (row: RowDataPacket): KnownLink => ({
  id: String(row.id),
  accountId: row.account_id === null ? null : String(row.account_id),
  kind: row.kind as AccountLink['kind'],
  name: String(row.name),
  role: row.role as Role,
  markets: limitFrom(row),
  madeBy: String(row.made_by),
  endsAt: (row.ends_at as Date).toISOString(),
});

const columns = 'id, account_id, kind, name, role, markets, made_by, ends_at';

/** What a link is for; null where it is none, is over or has been used. */
export async function linkOf(token: string): Promise<AccountLink | null> {
  const [[row]] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT ${columns} FROM account_link WHERE store_id = ? AND token_hash = ? AND ends_at > UTC_TIMESTAMP(3)`,
      [storeId, hashOfToken(token)],
    ),
  );
  if (!row) return null;
  const { id: _id, accountId: _accountId, markets, ...link } = linkFrom(row);
  return { ...link, limited: markets !== null };
}

/** Uses a link up, in the transaction that does what it is for. @param hash of what it is good for */
export async function takeLink(connection: PoolConnection, hash: Buffer): Promise<KnownLink | null> {
  const [[row]] = await connection.query<RowDataPacket[]>(
    `SELECT ${columns} FROM account_link WHERE store_id = ? AND token_hash = ? AND ends_at > UTC_TIMESTAMP(3) FOR UPDATE`,
    [storeId, hash],
  );
  if (!row) return null;
  await connection.query('DELETE FROM account_link WHERE store_id = ? AND token_hash = ?', [storeId, hash]);
  return linkFrom(row);
}

/** Open invitations, the newest first. */
export async function openInvitations(): Promise<KnownLink[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT ${columns} FROM account_link WHERE store_id = ? AND kind = 'invitation' AND ends_at > UTC_TIMESTAMP(3) ORDER BY made_at DESC, id LIMIT 500`,
      [storeId],
    ),
  );
  return rows.map(linkFrom);
}
