import type { EndedEarly } from '../core/experiments/compile-experiments.ts';
import type { PoolConnection, RowDataPacket } from 'mysql2/promise';
import { inTransaction, reading } from './database/pool.ts';
import { heldFor } from './held.ts';
import type { Soon } from './soon.ts';
import { storeId } from './store-id.ts';

/** What quotes rest on. */
export interface QuotedState {
  /** number of the release that the shop uses; null before the first */
  release: number | null;
  /** of the catalogue, see `productsNamed` */
  catalogue: number;
  /** experiments that ended by themselves, and when, ms */
  ended: EndedEarly;
  /** how often offers have been redeemed, and are reserved at the moment, by id */
  uses: ReadonlyMap<string, number>;
}

/** For so long, from when it is asked for, what is looked up is taken to hold still: so late, at most, quotes follow what another process changes or promises. ms */
const holdsFor = 50;

const current = heldFor(holdsFor, lookUp);

/** Looked up once for all who ask meanwhile. */
export const currentState = (): Soon<QuotedState> => current.get();

/** Those that come after a change of this process follow it at once. */
export const forgetState = current.forget;

/** All in one look: each costs about as much as a quote's own work. */
function lookUp(): Promise<QuotedState> {
  return reading(async (pool) => {
    const [[row]] = await pool.query<RowDataPacket[]>(
      `SELECT (SELECT MAX(number) FROM policy_release WHERE store_id = ?) AS number,
        (SELECT revision FROM catalogue WHERE store_id = ?) AS catalogue,
        (SELECT JSON_OBJECTAGG(experiment_id, DATE_FORMAT(ended_at, '%Y-%m-%dT%H:%i:%s.%fZ')) FROM experiment_end) AS ended,
        (SELECT JSON_OBJECTAGG(offer_id, uses) FROM (SELECT offer_id, SUM(uses) AS uses FROM (SELECT offer_id, used AS uses FROM offer_use
          UNION ALL SELECT offer_id, COUNT(*) FROM reservation WHERE until_at > UTC_TIMESTAMP(3) GROUP BY offer_id) each_kind GROUP BY offer_id) counted) AS uses`,
      [storeId, storeId],
    );
    return {
      release: row!.number === null ? null : Number(row!.number),
      catalogue: Number(row!.catalogue ?? 0),
      ended: endedOf(row!.ended),
      uses: usesOf(row!.uses),
    };
  });
}

function usesOf(written: unknown): QuotedState['uses'] {
  const uses = written === null ? {} : (JSON.parse(String(written)) as Record<string, number>);
  return new Map(Object.entries(uses).map(([offer, count]) => [offer, Number(count)]));
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
