import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { inTransaction, reading } from '../database/pool.ts';
import { sharedRead } from '../database/shared-read.ts';
import { storeId } from '../user.ts';

/** What quotes rest on. */
interface QuotedState {
  /** number of the release that the shop uses; null before the first */
  release: number | null;
  /** of the catalogue, see `productsNamed` */
  catalogue: number;
}

/** For so long what has been read is taken to hold still: so late, at most, quotes follow what another process changes. ms */
const holdsFor = 50;

let known: { state: QuotedState; until: number } | null = null;
/** Grows with each change by this process, so that what was read before one is not kept after it. */
let changes = 0;

const read = sharedRead(async () => {
  const [began, before] = [performance.now(), changes];
  const state = await reading(async (pool): Promise<QuotedState> => {
    const [[row]] = await pool.query<RowDataPacket[]>(
      'SELECT (SELECT MAX(number) FROM policy_release WHERE store_id = ?) AS number, (SELECT revision FROM catalogue WHERE store_id = ?) AS catalogue',
      [storeId, storeId],
    );
    return { release: row!.number === null ? null : Number(row!.number), catalogue: Number(row!.catalogue ?? 0) };
  });
  if (changes === before) known = { state, until: began + holdsFor };
  return state;
});

export async function currentState(): Promise<QuotedState> {
  return known !== null && performance.now() < known.until ? known.state : read();
}

/** A transaction that changes what quotes rest on: those that come after it follow it at once. */
export async function changingQuotes<T>(work: (connection: PoolConnection) => Promise<T>): Promise<T> {
  try {
    return await inTransaction(work);
  } finally {
    changes++;
    known = null;
  }
}
