import mysql, { type RowDataPacket } from 'mysql2/promise';
import { expect, test } from 'vitest';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { replayOrders } from '../../src/core/orders/replay.ts';
import { ordersOf } from '../support/orders-of.ts';
import { onlyFreeDelivery } from '../support/only-free-delivery.ts';
import { address, databaseUrl } from '../support/server-here.ts';

test('past orders replayed come to what plain SQL says of them, for an offer that can be said in SQL', async () => {
  const connection = await mysql.createConnection({ uri: databaseUrl, timezone: 'Z' });
  const [before, after] = [7000, 5500];
  // To the door £8.95, from £50 £6.95; at a collection point, which is chosen at first where nothing is known, £4.95.
  const price = "CASE WHEN option_id = 'uk-tracked' THEN IF(goods_minor < 5000, 895, 695) ELSE 495 END";
  const [rows] = await connection.query<RowDataPacket[]>(
    `SELECT COUNT(*) AS orders, SUM(goods_minor >= ? AND goods_minor < ?) AS less,
       SUM(IF(goods_minor >= ?, 0, ${price})) - SUM(IF(goods_minor >= ?, 0, ${price})) AS difference,
       SUM(IF(goods_minor >= ?, ${price}, 0)) AS given_now
     FROM past_order WHERE market_id = 'uk' AND currency = 'GBP'`,
    [after, before, after, before, after],
  );
  await connection.end();
  const orders = await ordersOf(address, 'uk');
  const zone = (goal: number) =>
    compilePolicy(onlyFreeDelivery(goal))
      .markets.get('uk')!
      .zones.find(({ id }) => id === 'uk-all')!;
  const replay = replayOrders(orders, () => ({ draft: zone(after), release: zone(before) }), Date.now());
  expect(replay.orders).toBeGreaterThan(1000);
  expect({ orders: replay.orders, less: replay.less, change: replay.change, givenNow: replay.givenNow }).toEqual({
    orders: Number(rows[0]!.orders),
    less: Number(rows[0]!.less),
    change: Number(rows[0]!.difference),
    givenNow: Number(rows[0]!.given_now),
  });
  expect(replay.more).toBe(0);
});
