import type { RowDataPacket } from 'mysql2/promise';
import { reading } from '../../database/pool.ts';
import { compiledRelease, currentPolicy, type CurrentPolicy } from '../../quote/current-policy.ts';
import { storeId } from '../../store-id.ts';

interface ReleaseTime {
  number: number;
  /** ms since 1970-01-01T00:00Z */
  from: number;
}

/** Of all releases up to the current one, which is the key; the newest first. */
let times: { current: number; of: readonly ReleaseTime[] } | null = null;

/** The releases under which orders were placed. */
export interface ReleasesInForce {
  current: CurrentPolicy;
  /** the release that was in force at a moment, ms; null: before the first */
  at: (instant: number) => Promise<CurrentPolicy | null>;
  numbered: (release: number) => Promise<CurrentPolicy | null>;
}

/** Null: nothing has been released yet. */
export async function releasesInForce(): Promise<ReleasesInForce | null> {
  const current = await currentPolicy();
  if (!current) return null;
  if (times?.current !== current.release) times = { current: current.release, of: await readTimes() };
  const known = times.of;
  const numbered = async (number: number): Promise<CurrentPolicy | null> => {
    const release = await compiledRelease(number);
    return release && { ...release, catalogue: current.catalogue, ended: current.ended };
  };
  return {
    current,
    numbered,
    at: async (instant) => {
      const then = known.find(({ from }) => from <= instant);
      return then ? numbered(then.number) : null;
    },
  };
}

async function readTimes(): Promise<readonly ReleaseTime[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT number, released_at FROM policy_release WHERE store_id = ? ORDER BY number DESC',
      [storeId],
    ),
  );
  return rows.map(({ number, released_at }) => ({ number: Number(number), from: (released_at as Date).getTime() }));
}
