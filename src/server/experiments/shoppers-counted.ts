import type { PoolConnection, ResultSetHeader } from 'mysql2/promise';
import type { ShoppersArm } from '../../core/experiments/compile-experiments.ts';
import { inTransaction } from '../database/pool.ts';
import { isUnavailable } from '../database/unavailable.ts';
import { log } from '../log.ts';

/** How long those who were quoted wait to be counted together, so that no quote waits for it. ms */
const countedEvery = 2000;
/** More than that do not wait: they are counted at once. */
const mostWaiting = 5000;
/** Whoever was counted lately is not looked up again. */
const mostKnown = 200_000;

/** Who is to be counted, by experiment and arm: hexadecimal hashes. */
let waiting = new Map<string, { experiment: string; arm: string; shoppers: Set<string> }>();
let waitingCount = 0;
let known = new Set<string>();
let timer: ReturnType<typeof setTimeout> | null = null;
let counting: Promise<void> = Promise.resolve();

/** Notes that a shopper was quoted in an arm: each is counted once for an experiment, however often and wherever quoted. */
export function countShopper({ experiment, arm }: ShoppersArm, shopper: Buffer): void {
  const hash = shopper.toString('hex');
  const key = `${experiment}/${hash}`;
  if (known.has(key)) return;
  if (known.size >= mostKnown) known = new Set();
  known.add(key);
  const name = `${experiment}/${arm}`;
  const of = waiting.get(name) ?? { experiment, arm, shoppers: new Set<string>() };
  waiting.set(name, of);
  of.shoppers.add(hash);
  waitingCount++;
  if (waitingCount >= mostWaiting) void shoppersCounted();
  else timer ??= setTimeout(() => void shoppersCounted(), countedEvery).unref();
}

/** Counts all who wait; waited for before the process ends. */
export function shoppersCounted(): Promise<void> {
  if (timer) clearTimeout(timer);
  timer = null;
  counting = counting.then(count);
  return counting;
}

/** In the caller's transaction. @param shoppers that were counted in no arm before */
export async function addToArm(
  connection: PoolConnection,
  experiment: string,
  arm: string,
  shoppers: number,
): Promise<void> {
  await connection.query(
    'INSERT INTO experiment_arm (experiment_id, arm_id, shoppers, last_at) VALUES (?, ?, ?, UTC_TIMESTAMP(3)) ON DUPLICATE KEY UPDATE shoppers = shoppers + VALUES(shoppers), last_at = VALUES(last_at)',
    [experiment, arm, shoppers],
  );
}

async function count(): Promise<void> {
  const taken = waiting;
  if (taken.size === 0) return;
  waiting = new Map();
  waitingCount = 0;
  try {
    await inTransaction(async (connection) => {
      for (const [, { experiment, arm, shoppers }] of [...taken].sort(([a], [b]) => (a < b ? -1 : 1))) {
        const [{ affectedRows }] = await connection.query<ResultSetHeader>(
          'INSERT IGNORE INTO experiment_shopper (experiment_id, shopper_hash) VALUES ?',
          [[...shoppers].map((hash) => [experiment, Buffer.from(hash, 'hex')])],
        );
        await addToArm(connection, experiment, arm, affectedRows);
      }
    });
  } catch (error) {
    // Once they ask again they are counted after all.
    for (const [, { experiment, shoppers }] of taken)
      for (const hash of shoppers) known.delete(`${experiment}/${hash}`);
    if (!isUnavailable(error)) log.error({ err: String(error) }, 'shoppers of experiments could not be counted');
  }
}
