import mysql, { type RowDataPacket } from 'mysql2/promise';
import { expect, test } from 'vitest';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { replayOrders } from '../../src/core/orders/replay/replay.ts';
import { weightUnknown } from '../../src/core/orders/replay/shipments.ts';
import { ordersOf, shipmentsOf } from '../support/orders-of.ts';
import { onlyFreeDelivery } from '../support/only-free-delivery.ts';
import { call } from '../support/api.ts';
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
  const both = { draft: zone(after), release: zone(before) };
  const places = { ofOption: () => both, ofDestination: () => both };
  const replay = replayOrders({ columns: orders, shipments: null }, places, Date.now());
  expect(replay.orders).toBeGreaterThan(1000);
  expect({ orders: replay.orders, less: replay.less, change: replay.change, givenNow: replay.givenNow }).toEqual({
    orders: Number(rows[0]!.orders),
    less: Number(rows[0]!.less),
    change: Number(rows[0]!.difference),
    givenNow: Number(rows[0]!.given_now),
  });
  expect(replay.more).toBe(0);
});

test('where orders went, what they weighed and their codes are told in the order of their columns', async () => {
  const connection = await mysql.createConnection({ uri: databaseUrl, timezone: 'Z' });
  const [rows] = await connection.query<RowDataPacket[]>(
    "SELECT country, region, postcode, weight_grams, UPPER(TRIM(code)) AS code, goods_minor FROM past_order WHERE market_id = 'uk' AND currency = 'GBP' ORDER BY placed_at, order_number",
  );
  await connection.end();
  const [{ goods }, { places, place, grams, codes, code }] = await Promise.all([
    ordersOf(address, 'uk'),
    shipmentsOf(address, 'uk'),
  ]);
  expect(place.length).toBeGreaterThan(1000);
  expect([...place].map((index, i) => [...places[index]!, grams[i], codes[code[i]!], goods[i]])).toEqual(
    rows.map((row) => [
      row.country,
      row.region,
      row.postcode,
      row.weight_grams ?? weightUnknown,
      row.code,
      row.goods_minor,
    ]),
  );
  expect(new Set(places.map(([, , postcode]) => postcode)).size).toBeGreaterThan(1);
});

test('orders of a day that are worth and paid the same are named, by their option where it is said', async () => {
  const connection = await mysql.createConnection({ uri: databaseUrl, timezone: 'Z' });
  const [[row]] = await connection.query<RowDataPacket[]>(
    "SELECT order_number, placed_at, goods_minor, delivery_minor, option_id FROM past_order WHERE market_id = 'uk' AND currency = 'GBP' AND HOUR(placed_at) = 12 LIMIT 1",
  );
  await connection.end();
  const like = async (query: Record<string, string>) => {
    const { status, body } = await call<{ numbers?: string[] }>(
      address,
      'GET',
      `/api/orders/like?${new URLSearchParams({
        market: 'uk',
        day: String(Math.floor((row!.placed_at as Date).getTime() / 86_400_000)),
        value: String(row!.goods_minor),
        ...query,
      }).toString()}`,
    );
    return [status, body.numbers] as const;
  };
  const [option, delivery] = [String(row!.option_id), String(row!.delivery_minor)];
  for (const query of [{}, { option }, { delivery }, { option, delivery }]) {
    const [status, numbers] = await like(query);
    expect(status).toBe(200);
    expect(numbers).toContain(row!.order_number);
  }
  expect(await like({ option: 'no-such-option' })).toEqual([200, []]);
  expect(await like({ delivery: '1' })).toEqual([200, []]);
  expect((await like({ market: 'nowhere' }))[0]).toBe(404);
  expect((await like({ value: 'much' }))[0]).toBe(422);
});
