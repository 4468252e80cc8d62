import { setTimeout as sleep } from 'node:timers/promises';
import mysql, { type RowDataPacket } from 'mysql2/promise';
import { afterAll, expect, test } from 'vitest';
import { generateOrders } from '../../demo/generate-orders.ts';
import { orderExport } from '../../demo/order-export.ts';
import { seededRandom } from '../../src/core/statistics/random.ts';
import { linesFromText } from '../../src/server/orders/order-store.ts';
import { call } from '../support/api.ts';
import { freshDatabase, startApplication, startTestDatabase, type Application } from '../support/application.ts';
import { announce, check, runOf, sendFile } from '../support/imports.ts';

let database = await startTestDatabase('import-killed');
let application: Application | undefined;
afterAll(async () => {
  await application?.stop();
  await database.stop();
});

const count = 45_000;
const seed = Date.now() % 100_000;
const random = seededRandom(seed);

/** Waits until the killed process no longer holds its port and files. */
async function gone(pid: number): Promise<void> {
  for (;;) {
    try {
      process.kill(pid, 0);
    } catch {
      return;
    }
    await sleep(20);
  }
}

/** Kills without warning; comes back as a restart would. */
async function killAndRestart(what: 'process' | 'database', url: string): Promise<void> {
  if (what === 'process') {
    application!.process.kill('SIGKILL');
    application = await startApplication({ DATABASE_URL: url });
  } else {
    process.kill(database.pid, 'SIGKILL');
    await gone(database.pid);
    database = await startTestDatabase('import-killed');
    for (let tries = 0; tries < 200 && (await fetch(`${application!.address}/readyz`)).status !== 200; tries++)
      await sleep(50);
  }
}

test(
  `ten kills at random moments (seed ${seed}): never half an order, never one lost after resuming`,
  { timeout: 280_000 },
  async () => {
    const url = await freshDatabase(database.url, 'summant_import_killed');
    application = await startApplication({ DATABASE_URL: url }, ['--empty']);
    await call(application.address, 'POST', '/api/demo', { body: {} });
    const orders = generateOrders(21, count);
    orders.forEach((order, i) => (order.orderNumber = `K-${String(i).padStart(6, '0')}`));
    const text = `${[...orderExport(orders, { delimiter: ',', decimal: 'point', dates: 'ymd', rows: 'lines' })].join('\n')}\n`;
    const expected = new Map(orders.map((order) => [order.orderNumber, order]));
    const query = async (sql: string) => {
      const connection = await mysql.createConnection({ uri: url, timezone: 'Z' });
      const [rows] = await connection.query<RowDataPacket[]>(sql);
      await connection.end();
      return rows;
    };
    /** Whatever is there of the file is there whole. */
    const nothingHalf = async (): Promise<number> => {
      const rows = await query(
        "SELECT order_number, goods_minor, items, goods_lines FROM past_order WHERE order_number LIKE 'K-%'",
      );
      for (const row of rows) {
        const order = expected.get(String(row.order_number))!;
        if (
          row.goods_minor !== order.goodsMinor ||
          row.items !== order.items ||
          linesFromText(String(row.goods_lines)).length !== order.lines.length
        )
          throw new Error(`half an order: ${JSON.stringify(row)}`);
      }
      return rows.length;
    };

    // While the file is read nothing has been taken over yet: it is rolled back whole, and can be chosen again.
    for (const what of ['process', 'database', 'process', 'database'] as const) {
      const { id } = await announce(application.address, text);
      const sending = sendFile(application.address, id, text).then(
        () => 'sent',
        () => 'broken off',
      );
      await sleep(200 + random() * 1200);
      await killAndRestart(what, url);
      await sending;
      expect(await nothingHalf()).toBe(0);
    }

    // While it is taken over: every kill is survived, and in the end all of it is there.
    const checked = await check(application.address, text);
    expect(checked).toMatchObject({ staged: count, fresh: count, rejected: 0 });
    await call(application.address, 'POST', `/api/imports/${checked.id}/apply`, { body: {} });
    for (const what of ['process', 'database', 'process', 'database', 'process', 'database'] as const) {
      await sleep(50 + random() * 700);
      await killAndRestart(what, url);
      await nothingHalf();
    }
    await expect
      .poll(() => runOf(application!.address, checked.id).then(({ state }) => state), {
        timeout: 90_000,
        interval: 250,
      })
      .toBe('done');
    expect(await nothingHalf()).toBe(count);
    expect(await check(application.address, text)).toMatchObject({ fresh: 0, changed: 0, same: count });
  },
);
