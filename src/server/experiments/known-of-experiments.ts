import type { RowDataPacket } from 'mysql2/promise';
import type { KnownOfExperiments } from '../../core/experiments/known.ts';
import { database, reading } from '../database/pool.ts';

export async function knownOfExperiments(): Promise<KnownOfExperiments> {
  return reading(async (pool) => {
    const [[arms], [ends]] = await Promise.all([
      pool.query<RowDataPacket[]>('SELECT experiment_id, arm_id, shoppers FROM experiment_arm ORDER BY 1, 2'),
      pool.query<RowDataPacket[]>('SELECT experiment_id, ended_at, arm_id, low, high FROM experiment_end ORDER BY 1'),
    ]);
    return {
      shoppers: arms.map((row) => ({
        experiment: String(row.experiment_id),
        arm: String(row.arm_id),
        shoppers: Number(row.shoppers),
      })),
      ended: ends.map((row) => ({
        experiment: String(row.experiment_id),
        at: (row.ended_at as Date).toISOString(),
        arm: String(row.arm_id),
        low: Number(row.low),
        high: Number(row.high),
      })),
    };
  });
}

/** For so long after somebody was quoted last, who was counted in an experiment is known. Days */
const knownFor = 60;

/** Forgets who was counted in experiments that are over; how many they were stays known. */
export async function forgetShoppersCounted(): Promise<void> {
  await database().query(
    'DELETE FROM experiment_shopper WHERE experiment_id IN (SELECT experiment_id FROM experiment_arm GROUP BY experiment_id HAVING MAX(last_at) < UTC_TIMESTAMP(3) - INTERVAL ? DAY) LIMIT 10000',
    [knownFor],
  );
}
