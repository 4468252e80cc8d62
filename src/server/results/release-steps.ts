import { LRUCache } from 'lru-cache';
import type { RowDataPacket } from 'mysql2/promise';
import type { Policy } from '../../core/policy/types.ts';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { releaseStep, type ReleaseStep } from '../../core/results/release-step.ts';
import { localTime } from '../../core/time/time-zone-clock.ts';
import { reading } from '../database/pool.ts';
import { storedPolicy } from '../policy/stored-policy.ts';
import { storeId } from '../user.ts';

const mostReleases = 50;

/**
 * What releases changed, by number and moment: a release never changes, and a store whose data were put back from a copy has
 * others under its numbers.
 */
const known = new LRUCache<`${number} ${string}`, ReleaseStep>({ max: 4 * mostReleases });

/** What the newest releases changed, newest first. @param timeZone by whose clock their days are told */
export async function releaseSteps(timeZone: string): Promise<DatedStep[]> {
  const rows = await reading(async (pool) => {
    const [found] = await pool.query<RowDataPacket[]>(
      'SELECT number, note, released_at FROM policy_release WHERE store_id = ? ORDER BY number DESC LIMIT ?',
      [storeId, mostReleases],
    );
    return found;
  });
  const steps: DatedStep[] = [];
  let newer: { number: number; policy: Policy } | null = null;
  for (const row of rows) {
    const number = Number(row.number);
    const releasedAt = row.released_at as Date;
    const key = `${number} ${releasedAt.toISOString()}` as const;
    let step: ReleaseStep | undefined = known.get(key);
    if (!step) {
      const to: Policy | null = newer?.number === number ? newer.policy : await policyOf(number);
      const from = number > 1 ? await policyOf(number - 1) : null;
      newer = from && { number: number - 1, policy: from };
      step = to && from ? releaseStep(from, to) : { offers: [], others: 0 };
      known.set(key, step);
    }
    const { day } = localTime(timeZone, releasedAt.getTime());
    steps.push({ number, day, note: String(row.note), first: number === 1, ...step });
  }
  return steps;
}

async function policyOf(number: number): Promise<Policy | null> {
  return reading(async (pool) => {
    const [[row]] = await pool.query<RowDataPacket[]>(
      'SELECT document FROM policy_release WHERE store_id = ? AND number = ?',
      [storeId, number],
    );
    return row ? storedPolicy(row) : null;
  });
}
