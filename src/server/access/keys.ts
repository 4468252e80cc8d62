import { hash, randomBytes, timingSafeEqual } from 'node:crypto';
import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { mostKeys, type AccessKey, type KeyKind, type MadeKey } from '../../contract/shapes/access-key.ts';
import { database, inTransaction, reading } from '../database/pool.ts';
import { heldFor } from '../held.ts';
import { randomId } from '../random-id.ts';
import { andThen, type Soon } from '../soon.ts';
import { storeId } from '../store-id.ts';

interface KnownKey extends AccessKey {
  hash: Buffer;
}

/** For so long other processes may still take a key that has been revoked meanwhile. ms */
const holdsFor = 1000;
const live = heldFor(holdsFor, readLive);

/** Keys that are not over, by id, and what has been shown for them since they were read, by the whole token. */
interface LiveKeys {
  byId: ReadonlyMap<string, KnownKey>;
  shown: Map<string, KnownKey>;
}

async function readLive(): Promise<LiveKeys> {
  const keys = await readKeys(notOver);
  return { byId: new Map(keys.map((key) => [key.id, key])), shown: new Map() };
}

/** Keys that are not over. */
export const liveKeys = (): Soon<readonly AccessKey[]> => andThen(live.get(), ({ byId }) => [...byId.values()]);

/** A key's hash. What is hashed is random throughout, so that no slow function is needed. */
const hashOf = (secret: string): Buffer => hash('sha256', secret, 'buffer');

/** The key that is sent as `id.secret`; null where there is none such. */
export const keyOf = (token: string): Soon<AccessKey | null> =>
  andThen(live.get(), (keys) => {
    const key = keys.shown.get(token) ?? keyShown(token, keys);
    if (!key || isOver(key)) return null;
    noteUse(key.id);
    return key;
  });

/** What a token is the secret of. Only right ones are kept, so that there are no more than keys; as long as these are held. */
function keyShown(token: string, { byId, shown }: LiveKeys): KnownKey | null {
  const dot = token.indexOf('.');
  const key = byId.get(token.slice(0, Math.max(0, dot)));
  if (!key || !timingSafeEqual(hashOf(token.slice(dot + 1)), key.hash)) return null;
  shown.set(token, key);
  return key;
}

const isOver = ({ endsAt }: Pick<AccessKey, 'endsAt'>): boolean => endsAt !== null && Date.parse(endsAt) <= Date.now();

/** When a key was used last is kept to the minute, so that its use costs next to nothing. ms */
const notedEvery = 60_000;
const noted = new Map<string, number>();

function noteUse(id: string): void {
  const now = Date.now();
  if (now - (noted.get(id) ?? 0) < notedEvery) return;
  noted.set(id, now);
  database()
    .query('UPDATE access_key SET used_at = UTC_TIMESTAMP(3) WHERE store_id = ? AND id = ?', [storeId, id])
    .catch(() => noted.delete(id));
}

const notOver = 'ends_at IS NULL OR ends_at > UTC_TIMESTAMP(3)';

async function readKeys(condition: string, values: unknown[] = []): Promise<KnownKey[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT * FROM access_key WHERE store_id = ? AND (${condition}) ORDER BY made_at DESC, id LIMIT 500`,
      [storeId, ...values],
    ),
  );
  return rows.map(keyFrom);
}

const moment = (value: unknown): string | null => (value === null ? null : (value as Date).toISOString());

const keyFrom = (row: RowDataPacket): KnownKey => ({
  id: String(row.id),
  name: String(row.name),
  kind: String(row.kind) as KeyKind,
  origins: JSON.parse(String(row.origins)) as string[],
  madeBy: String(row.made_by),
  madeAt: (row.made_at as Date).toISOString(),
  endsAt: moment(row.ends_at),
  live: !isOver({ endsAt: moment(row.ends_at) }),
  followedBy: row.followed_by === null ? null : String(row.followed_by),
  usedAt: moment(row.used_at),
  hash: row.hash as Buffer,
});

const withoutHash = ({ hash: _, ...key }: KnownKey): AccessKey => key;

/** Live ones, and those that ended within the last month. */
export async function listKeys(): Promise<AccessKey[]> {
  const keys = await readKeys(`${notOver} OR ends_at > DATE_SUB(UTC_TIMESTAMP(3), INTERVAL 30 DAY)`);
  return keys.map(withoutHash);
}

/** What a key is made for. */
type NewKey = Pick<AccessKey, 'name' | 'kind' | 'origins' | 'madeBy'>;

/** Makes a key. @returns null where there are as many as there may be */
export const makeKey = (key: NewKey): Promise<MadeKey | null> => changingKeys((connection) => addKey(connection, key));

/** A change of keys, followed at once by this process. */
async function changingKeys<T>(work: (connection: PoolConnection) => Promise<T>): Promise<T> {
  try {
    return await inTransaction(work);
  } finally {
    live.forget();
  }
}

async function addKey(connection: PoolConnection, { name, kind, origins, madeBy }: NewKey): Promise<MadeKey | null> {
  const [[count]] = await connection.query<RowDataPacket[]>(
    `SELECT COUNT(*) AS live FROM access_key WHERE store_id = ? AND (${notOver})`,
    [storeId],
  );
  if (Number(count!.live) >= mostKeys) return null;
  const id = randomId(12);
  const secret = randomBytes(32).toString('base64url');
  await connection.query(
    'INSERT INTO access_key (store_id, id, name, kind, hash, origins, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3))',
    [storeId, id, name, kind, hashOf(secret), JSON.stringify(origins), madeBy],
  );
  return { key: await keyIn(connection, id), token: `${id}.${secret}` };
}

async function keyIn(connection: PoolConnection, id: string): Promise<AccessKey> {
  const [[row]] = await connection.query<RowDataPacket[]>('SELECT * FROM access_key WHERE store_id = ? AND id = ?', [
    storeId,
    id,
  ]);
  return withoutHash(keyFrom(row!));
}

/** @returns null: there is no such key, or it is over */
export const changeKey = (
  id: string,
  { name, origins }: Pick<AccessKey, 'name' | 'origins'>,
): Promise<AccessKey | 'withoutOrigin' | null> =>
  changingKeys(async (connection) => {
    const [[row]] = await connection.query<RowDataPacket[]>(
      `SELECT kind FROM access_key WHERE store_id = ? AND id = ? AND (${notOver}) FOR UPDATE`,
      [storeId, id],
    );
    if (!row) return null;
    const publishable = row.kind === 'publishable';
    if (publishable && origins.length === 0) return 'withoutOrigin';
    await connection.query('UPDATE access_key SET name = ?, origins = ? WHERE store_id = ? AND id = ?', [
      name,
      JSON.stringify(publishable ? origins : []),
      storeId,
      id,
    ]);
    return keyIn(connection, id);
  });

/** Refuses a key from now on. @returns null: there is no such key */
export const revokeKey = (id: string): Promise<AccessKey | null> =>
  changingKeys(async (connection) => {
    await connection.query(
      `UPDATE access_key SET ends_at = UTC_TIMESTAMP(3) WHERE store_id = ? AND id = ? AND (${notOver})`,
      [storeId, id],
    );
    const [[row]] = await connection.query<RowDataPacket[]>('SELECT id FROM access_key WHERE store_id = ? AND id = ?', [
      storeId,
      id,
    ]);
    return row ? keyIn(connection, id) : null;
  });

/**
 * Makes a key that takes the place of another, which ends after the overlap.
 *
 * @param hours of the overlap
 */
export const rotateKey = (id: string, hours: number, madeBy: string): Promise<MadeKey | 'unknown' | 'over' | 'many'> =>
  changingKeys(async (connection) => {
    const [[row]] = await connection.query<RowDataPacket[]>(
      'SELECT * FROM access_key WHERE store_id = ? AND id = ? FOR UPDATE',
      [storeId, id],
    );
    if (!row) return 'unknown';
    const old = keyFrom(row);
    if (old.followedBy !== null || isOver(old)) return 'over';
    const made = await addKey(connection, { ...old, madeBy });
    if (!made) return 'many';
    await connection.query(
      'UPDATE access_key SET ends_at = DATE_ADD(UTC_TIMESTAMP(3), INTERVAL ? HOUR), followed_by = ? WHERE store_id = ? AND id = ?',
      [hours, made.key.id, storeId, id],
    );
    return made;
  });

/** Removes keys that a programme makes anew each time it starts, with all that is known of them. */
export const retireKeysOf = ({ name, madeBy }: Pick<AccessKey, 'name' | 'madeBy'>): Promise<void> =>
  changingKeys(async (connection) => {
    await connection.query('DELETE FROM access_key WHERE store_id = ? AND name = ? AND made_by = ?', [
      storeId,
      name,
      madeBy,
    ]);
  });
