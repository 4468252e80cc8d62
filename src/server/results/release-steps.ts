import type { RowDataPacket } from 'mysql2/promise';
import type { Policy } from '../../core/policy/types.ts';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { releaseStep, type ReleaseStep } from '../../core/results/release-step.ts';
import { localTime } from '../../core/time/time-zone-clock.ts';
import { database, reading } from '../database/pool.ts';
import { storedPolicy } from '../policy/stored-policy.ts';
import { storeId } from '../store-id.ts';

const mostReleases = 400;

/**
 * What the newest releases changed, newest first. It is worked out once for each, and kept with it.
 *
 * @param timeZone by whose clock their days are told
 */
export async function releaseSteps(timeZone: string): Promise<DatedStep[]> {
  const rows = await reading(async (pool) => {
    const [found] = await pool.query<RowDataPacket[]>(
      'SELECT number, note, released_at, step FROM policy_release WHERE store_id = ? ORDER BY number DESC LIMIT ?',
      [storeId, mostReleases],
    );
    return found;
  });
  const steps: DatedStep[] = [];
  let newer: { number: number; policy: Policy | null } | null = null;
  for (const row of rows) {
    const number = Number(row.number);
    let step = row.step === null ? null : (JSON.parse(String(row.step)) as ReleaseStep);
    if (!step) {
      const to: Policy | null = newer?.number === number ? newer.policy : await policyOf(number);
      newer = { number: number - 1, policy: await policyOf(number - 1) };
      step = to && newer.policy ? releaseStep(newer.policy, to) : { offers: [], others: 0 };
      await keep(number, step);
    }
    const { day } = localTime(timeZone, (row.released_at as Date).getTime());
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

async function keep(number: number, step: ReleaseStep): Promise<void> {
  await database().query('UPDATE policy_release SET step = ? WHERE store_id = ? AND number = ?', [
    JSON.stringify(step),
    storeId,
    number,
  ]);
}
