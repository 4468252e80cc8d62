import mysql, { type Pool, type PoolConnection } from 'mysql2/promise';
import { databaseHosts, hostUrls, type DatabaseHosts } from './hosts.ts';
import { codeOf, isUnavailable } from './unavailable.ts';

let hosts: DatabaseHosts | undefined;

function theHosts(): DatabaseHosts {
  if (!hosts) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set. Start Summant with `npm start`, which provides a database.');
    hosts = databaseHosts(hostUrls(url), createPool);
  }
  return hosts;
}

/** The connection pool of this process, to the host that is used; made at first use. @throws Error when DATABASE_URL is not set */
export const database = (): Pool => theHosts().pool();

/** As `host:port`. */
export const databaseHostInUse = (): string => theHosts().inUse();

export async function closeDatabase(): Promise<void> {
  await hosts?.end();
  hosts = undefined;
}

export function createPool(url: string): Pool {
  const created = mysql.createPool({
    uri: url,
    connectionLimit: 10,
    // Whoever cannot be served in reasonable time is told so instead of waiting without end.
    queueLimit: 400,
    connectTimeout: 2000,
    charset: 'utf8mb4',
    timezone: 'Z',
    supportBigNumbers: true,
    enableKeepAlive: true,
    jsonStrings: true,
  });
  created.on('connection', (connection) => {
    connection.query(
      "SET SESSION sql_mode = 'STRICT_ALL_TABLES,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO', time_zone = '+00:00', tx_isolation = 'READ-COMMITTED', max_statement_time = 120, innodb_lock_wait_timeout = 20",
    );
  });
  return created;
}

/** How many connections a pool has, by what they do, and what waits for one. */
export function connectionsOf(of: Pool): Record<'in use' | 'free' | 'waiting', number> {
  // The driver keeps these to itself and says them nowhere else.
  const { _allConnections, _freeConnections, _connectionQueue } = of.pool as unknown as Record<
    string,
    { length: number }
  >;
  const [all, free] = [_allConnections?.length ?? 0, _freeConnections?.length ?? 0];
  return { 'in use': all - free, free, waiting: _connectionQueue?.length ?? 0 };
}

const lostRace = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);

/**
 * Runs `work` in a transaction. Lost races (deadlock, certification failure) are run again, at most four times; so
 * is a connection found dead before anything was committed. A connection lost during COMMIT is not retried, because
 * what became of it is unknown.
 */
export const inTransaction = <T>(work: (connection: PoolConnection) => Promise<T>): Promise<T> =>
  begun((connection) => connection.beginTransaction(), work);

/** Reads several times from what was there at one moment, whatever others change meanwhile; repeated as `inTransaction` is. */
export const inSnapshot = <T>(work: (connection: PoolConnection) => Promise<T>): Promise<T> =>
  begun(async (connection) => {
    await connection.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    await connection.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
  }, work);

async function begun<T>(
  begin: (connection: PoolConnection) => Promise<void>,
  work: (connection: PoolConnection) => Promise<T>,
): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    const pool = database();
    let connection: PoolConnection | undefined;
    let committing = false;
    try {
      connection = await pool.getConnection();
      await begin(connection);
      const result = await work(connection);
      committing = true;
      await connection.commit();
      connection.release();
      return result;
    } catch (error) {
      await abandon(connection, error);
      if (connection && isUnavailable(error)) theHosts().leave(pool);
      const again = lostRace.has(codeOf(error)) || (isUnavailable(error) && !committing);
      if (!again || attempt >= 4) throw error;
      await new Promise((resolve) => setTimeout(resolve, 20 * 2 ** attempt));
    }
  }
}

/** Reads; repeated when the connection turns out to be dead. */
export async function reading<T>(work: (connection: Pool) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work(database());
    } catch (error) {
      if (!isUnavailable(error) || attempt >= 3) throw error;
      await new Promise((resolve) => setTimeout(resolve, 30 * attempt));
    }
  }
}

async function abandon(connection: PoolConnection | undefined, error: unknown): Promise<void> {
  if (!connection) return;
  if (isUnavailable(error)) {
    connection.destroy();
    return;
  }
  try {
    await connection.rollback();
    connection.release();
  } catch {
    connection.destroy();
  }
}
