import mysql, { type Pool, type PoolConnection } from 'mysql2/promise';

let pool: Pool | undefined;

/** The connection pool of this process; made at first use. @throws Error when DATABASE_URL is not set */
export function database(): Pool {
  if (!pool) pool = createPool(process.env.DATABASE_URL);
  return pool;
}

export async function closeDatabase(): Promise<void> {
  await pool?.end();
  pool = undefined;
}

export function createPool(url: string | undefined): Pool {
  if (!url) throw new Error('DATABASE_URL is not set. Start Summant with `npm start`, which provides a database.');
  const created = mysql.createPool({
    uri: url,
    connectionLimit: 10,
    // Whoever cannot be served in reasonable time is told so instead of waiting without end.
    queueLimit: 400,
    connectTimeout: 4000,
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

const lostConnection = new Set([
  'PROTOCOL_CONNECTION_LOST',
  'ECONNRESET',
  'ECONNREFUSED',
  'EPIPE',
  'ETIMEDOUT',
  'ENOENT',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  'ER_CONNECTION_KILLED',
]);
const lostRace = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);

export function codeOf(error: unknown): string {
  return typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
}

/** True when the database could not be reached or went away, so that trying later may help. */
export function isUnavailable(error: unknown): boolean {
  if (lostConnection.has(codeOf(error))) return true;
  return error instanceof Error && /closed state|Connection lost|Pool is closed/.test(error.message);
}

/**
 * Runs `work` in a transaction. Lost races (deadlock, certification failure) are run again, at most four times; so
 * is a connection found dead before anything was committed. A connection lost during COMMIT is not retried, because
 * what became of it is unknown.
 */
export async function inTransaction<T>(work: (connection: PoolConnection) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    let connection: PoolConnection | undefined;
    let committing = false;
    try {
      connection = await database().getConnection();
      await connection.beginTransaction();
      const result = await work(connection);
      committing = true;
      await connection.commit();
      connection.release();
      return result;
    } catch (error) {
      await abandon(connection, error);
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
