import type { EndedEarly } from '../../core/experiments/compile-experiments.ts';
import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { inTransaction, reading } from '../database/pool.ts';
import { heldFor } from '../held.ts';
import type { Soon } from '../soon.ts';
import { storeId } from '../store-id.ts';

/** What quotes rest on. */
export interface QuotedState {
  /** number of the release that the shop uses; null before the first */
  release: number | null;
  /** of the catalogue, see `productsNamed` */
  catalogue: number;
  /** experiments that ended by themselves, and when, ms */
  ended: EndedEarly;
}

/** For so long, from when it is asked for, what is looked up is taken to hold still: so late, at most, quotes follow what another process changes. ms */
const holdsFor = 50;

const current = heldFor(holdsFor, lookUp);

/** Looked up once for all who ask meanwhile. */
export const currentState = (): Soon<QuotedState> => current.get();

function lookUp(): Promise<QuotedState> {
  return reading(async (pool) => {
    const [[row]] = await pool.query<RowDataPacket[]>(
      "SELECT (SELECT MAX(number) FROM policy_release WHERE store_id = ?) AS number, (SELECT revision FROM catalogue WHERE store_id = ?) AS catalogue, (SELECT JSON_OBJECTAGG(experiment_id, DATE_FORMAT(ended_at, '%Y-%m-%dT%H:%i:%s.%fZ')) FROM experiment_end) AS ended",
      [storeId, storeId],
    );
    return {
      release: row!.number === null ? null : Number(row!.number),
      catalogue: Number(row!.catalogue ?? 0),
      ended: endedOf(row!.ended),
    };
  });
}

const none: EndedEarly = new Map();

function endedOf(written: unknown): EndedEarly {
  if (written === null) return none;
  const moments = JSON.parse(String(written)) as Record<string, string>;
  return new Map(Object.entries(moments).map(([id, moment]) => [id, Date.parse(moment)]));
}

/** A transaction that changes what quotes rest on: those that come after it follow it at once. */
export async function changingQuotes<T>(work: (connection: PoolConnection) => Promise<T>): Promise<T> {
  try {
    return await inTransaction(work);
  } finally {
    current.forget();
  }
}
