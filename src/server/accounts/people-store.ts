import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { mostPeople, type MadeLink, type People } from '../../contract/shapes/account.ts';
import type { MarketLimit } from '../../core/people/market-limit.ts';
import { canBeLimited } from '../../core/people/market-limit.ts';
import type { Role } from '../../core/people/roles.ts';
import { reading } from '../database/pool.ts';
import { isRandomId } from '../random-id.ts';
import { storeId } from '../store-id.ts';
import { changingPeople } from './account-store.ts';
import { limitFrom, writtenLimit } from './limit-columns.ts';
import { addLink, dropLinks, openInvitations } from './links.ts';

/** Who has an account and who is invited. @param self id of the account that asks */
export async function listPeople(self: string | null): Promise<People> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT a.id, a.name, a.sign_in, a.role, a.markets, a.made_by, a.made_at, MAX(s.used_at) AS used_at FROM account a LEFT JOIN account_session s ON s.store_id = a.store_id AND s.account_id = a.id WHERE a.store_id = ? GROUP BY a.id ORDER BY a.made_at, a.id',
      [storeId],
    ),
  );
  const invitations = await openInvitations();
  return {
    people: rows.map((row) => ({
      id: String(row.id),
      name: String(row.name),
      signIn: String(row.sign_in),
      role: row.role as Role,
      markets: limitFrom(row),
      madeBy: String(row.made_by),
      madeAt: (row.made_at as Date).toISOString(),
      usedAt: (row.used_at as Date | null)?.toISOString() ?? null,
      self: row.id === self,
    })),
    invitations: invitations.map(({ id, name, role, markets, madeBy, endsAt }) => ({
      id,
      name,
      role,
      markets,
      madeBy,
      endsAt,
    })),
  };
}

/** What somebody may, and in which markets. */
export interface Allowed {
  role: Role;
  markets: MarketLimit;
}

/** A limit is kept only with a role that can be limited. */
const allowedFrom = ({ role, markets }: Allowed): Allowed => ({ role, markets: canBeLimited(role) ? markets : null });

/** @returns why none was made: nobody has an account yet, or there are as many as there may be */
export const invite = (name: string, allowed: Allowed, madeBy: string): Promise<MadeLink | 'noAccounts' | 'many'> =>
  changingPeople(async (connection) => {
    const [[counted]] = await connection.query<RowDataPacket[]>(
      'SELECT (SELECT COUNT(*) FROM account WHERE store_id = ?) AS accounts, (SELECT COUNT(*) FROM account_link WHERE store_id = ? AND ends_at > UTC_TIMESTAMP(3)) AS links',
      [storeId, storeId],
    );
    const accounts = Number(counted!.accounts);
    if (accounts === 0) return 'noAccounts';
    if (accounts + Number(counted!.links) >= mostPeople) return 'many';
    return addLink(connection, {
      kind: 'invitation',
      accountId: null,
      name: name.trim(),
      ...allowedFrom(allowed),
      madeBy,
    });
  });

/** Nothing is done where there is no such invitation. */
export const takeBackInvitation = async (id: string): Promise<void> => {
  if (isRandomId(id, 12)) await changingPeople((connection) => dropLinks(connection, 'id', id));
};

/** A way back for somebody; the one of before is good no more. @returns null: there is no such account */
export const wayBack = (id: string, madeBy: string): Promise<MadeLink | null> =>
  changingPeople(async (connection) => {
    const account = await accountIn(connection, id);
    if (!account) return null;
    await dropLinks(connection, 'account_id', id);
    return addLink(connection, { kind: 'way-back', accountId: id, ...account, madeBy });
  });

type Changed = 'changed' | 'unknown' | 'lastOwner';

export const changeRole = (id: string, allowed: Allowed): Promise<Changed> =>
  changingPeople(async (connection) => {
    const account = await accountIn(connection, id);
    if (!account) return 'unknown';
    const { role, markets } = allowedFrom(allowed);
    if (role !== 'own' && (await isLastOwner(connection, id))) return 'lastOwner';
    await connection.query('UPDATE account SET role = ?, markets = ? WHERE store_id = ? AND id = ?', [
      role,
      writtenLimit(markets),
      storeId,
      id,
    ]);
    // What they have asked for rests on what they might; they ask again for what they still may.
    await connection.query('DELETE FROM release_asked WHERE store_id = ? AND account_id = ?', [storeId, id]);
    return 'changed';
  });

/** Sessions, codes and ways back go with it. */
export const removeAccount = (id: string): Promise<Changed> =>
  changingPeople(async (connection) => {
    if (!(await accountIn(connection, id))) return 'unknown';
    if (await isLastOwner(connection, id)) return 'lastOwner';
    await connection.query('DELETE FROM account WHERE store_id = ? AND id = ?', [storeId, id]);
    return 'changed';
  });

async function accountIn(connection: PoolConnection, id: string): Promise<({ name: string } & Allowed) | null> {
  if (!isRandomId(id, 12)) return null;
  const [[row]] = await connection.query<RowDataPacket[]>(
    'SELECT name, role, markets FROM account WHERE store_id = ? AND id = ?',
    [storeId, id],
  );
  return row ? { name: String(row.name), role: row.role as Role, markets: limitFrom(row) } : null;
}

async function isLastOwner(connection: PoolConnection, id: string): Promise<boolean> {
  const [rows] = await connection.query<RowDataPacket[]>(
    "SELECT id FROM account WHERE store_id = ? AND role = 'own' LIMIT 2",
    [storeId],
  );
  return rows.length === 1 && rows[0]!.id === id;
}
