import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { generateOrders } from '../../demo/generate-orders.ts';
import { orderExport } from '../../demo/order-export.ts';
import type { Choices } from '../../src/contract/shapes/choices.ts';
import type { ReportedOrder } from '../../src/contract/shapes/placed-order.ts';
import { call } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { apply, check } from '../support/imports.ts';
import { monthsOf, ordersOf, shipmentsOf } from '../support/orders-of.ts';

let application: Application;
let address: string;
let connection: Connection;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_orders_kept');
  application = await startApplication({ DATABASE_URL: url });
  address = application.address;
  connection = await mysql.createConnection({ uri: url, timezone: 'Z', dateStrings: true });
});
afterAll(async () => {
  await connection.end();
  await application.stop();
});

const query = async (sql: string, values: unknown[] = []) => (await connection.query<RowDataPacket[]>(sql, values))[0];
const keep = async (orderDays: number | null) =>
  (await call<Choices>(address, 'PATCH', '/api/choices', { body: { orderDays } })).body;
const olderLeft = async (date: string) =>
  Number((await query('SELECT COUNT(*) AS n FROM past_order WHERE placed_at < ?', [date]))[0]!.n);

const market = 'nlbe';
const ordersInAll = async () => (await monthsOf(address, market)).reduce((sum, { orders }) => sum + orders, 0);

/** Everything that is known of each order, whatever order they come in. */
async function known() {
  const [columns, shipments] = [await ordersOf(address, market), await shipmentsOf(address, market)];
  return Array.from({ length: columns.count }, (_, i) => {
    const [country, region, postcode] = shipments.places[shipments.place[i]!]!;
    const { goods, delivery, day, shopper, items } = columns;
    return {
      day: day[i]!,
      rest: [
        goods[i],
        delivery[i],
        columns.options[columns.option[i]!],
        shopper[i],
        items[i],
        columns.arms[columns.arm[i]!],
        country,
        region,
        shipments.grams[i],
        shipments.codes[shipments.code[i]!],
      ].join(' '),
      postcode,
    };
  });
}
const sorted = (orders: Awaited<ReturnType<typeof known>>) => orders.map(({ day, rest }) => `${day} ${rest}`).sort();

/** The first day of the month that is the middle one of those with orders, and for how many days orders since then are kept. */
async function middle(): Promise<{ date: string; days: number }> {
  const months = await monthsOf(address, market);
  const date = months[Math.floor(months.length / 2)]!.month;
  return { date, days: Math.floor((Date.now() - Date.parse(date)) / 86_400_000) };
}

test('without a choice orders are kept for good', async () => {
  expect((await call<Choices>(address, 'GET', '/api/choices')).body.orderDays).toBeNull();
  expect((await call(address, 'PATCH', '/api/choices', { body: { orderDays: 89 } })).status).toBe(422);
});

test('of older ones stays what is computed from, exactly, and nothing of whose they were', async () => {
  const { date, days } = await middle();
  const before = await known();
  const [older] = await query(
    "SELECT order_number, goods_lines, postcode FROM past_order WHERE placed_at < ? AND market_id = ? AND postcode <> '' AND goods_lines <> '' LIMIT 1",
    [date, market],
  );
  const spans = await call(address, 'GET', `/api/orders/values?market=${market}`);
  expect(await olderLeft(date)).toBeGreaterThan(100);
  expect((await keep(days)).orderDays).toBe(days);
  const looks = new Set<number>();
  // None is seen twice or not at all, though all months are read anew while they are aggregated.
  do {
    await query("UPDATE order_month SET packed_zone = ''");
    looks.add(await ordersInAll());
  } while ((await olderLeft(date)) > 0);
  expect([...looks]).toEqual([before.length]);
  const after = await known();
  expect(sorted(after)).toEqual(sorted(before));
  const firstKept = Date.parse(date) / 86_400_000;
  // A day of the store’s clock may begin in the month before.
  expect(after.filter(({ day, postcode }) => day < firstKept - 1 && postcode !== '')).toEqual([]);
  const postcodes = (orders: typeof before) =>
    orders.flatMap(({ day, postcode }) => (day > firstKept ? postcode : [])).sort();
  expect(postcodes(after)).toEqual(postcodes(before));
  expect((await call(address, 'GET', `/api/orders/values?market=${market}`)).body).toEqual(spans.body);
  expect((await call(address, 'GET', `/api/orders/order?number=${older!.order_number as string}`)).status).toBe(404);
  const left = await query('SELECT * FROM order_aggregate');
  const text = left.flatMap((row) => Object.values(row).map((value) => (value as object).toString())).join('\n');
  expect(text.length).toBeGreaterThan(1000);
  for (const gone of [older!.order_number as string, String(older!.goods_lines).split('\t')[0]!])
    expect(text).not.toContain(gone);
});

test('the same days again change nothing, and another time zone loses none of them', async () => {
  const before = sorted(await known());
  const days = (await call<Choices>(address, 'GET', '/api/choices')).body.orderDays;
  await keep(days);
  await query("UPDATE order_month SET packed_zone = ''");
  expect(sorted(await known())).toEqual(before);
});

test('older ones are taken neither from files nor from the shop: they may be counted already', async () => {
  const before = sorted(await known());
  const { kept_from: from } = (await query('SELECT kept_from FROM orders_kept'))[0]!;
  const orders = generateOrders(3, 3000);
  for (const order of orders) order.orderNumber = order.orderNumber.replace('GK', 'AGAIN');
  const older = orders.filter(({ placedAt }) => placedAt.getTime() < Date.parse(String(from))).length;
  expect(older).toBeGreaterThan(100);
  for (const rows of ['orders', 'lines'] as const) {
    const lines = orderExport(orders, { delimiter: ';', decimal: 'comma', dates: 'ymd', rows });
    const checked = await check(address, `${[...lines].join('\r\n')}\r\n`);
    expect(checked.staged).toBe(orders.length - older);
    await call(address, 'POST', `/api/imports/${checked.id}/cancel`);
  }
  const cart = {
    lines: [{ product: 'tidewing-16', quantity: 1 }],
    destination: { country: 'NL', postcode: '1011 AB' },
  };
  const placedAt = new Date(Date.parse(String(from)) - 1000).toISOString();
  const { body } = await call<{ orders: ReportedOrder[] }>(address, 'POST', '/api/orders', {
    body: { orders: [{ number: 'LATE-1', placedAt, cart, option: 'nlbe-door', delivery: 495 }] },
  });
  expect(body.orders[0]).toMatchObject({ outcome: 'refused', problem: { status: 422 } });
  expect(sorted(await known())).toEqual(before);
});

test('while a file is open that was compared with orders one by one, none of them go', async () => {
  const orders = generateOrders(5, 200).filter(({ placedAt }) => placedAt.getTime() > Date.now() - 300 * 86_400_000);
  for (const order of orders) order.orderNumber = order.orderNumber.replace('GK', 'OPEN');
  const form = { delimiter: ';', decimal: 'comma', dates: 'ymd', rows: 'orders' } as const;
  const checked = await check(address, `${[...orderExport(orders, form)].join('\r\n')}\r\n`);
  const { kept_from: from } = (await query('SELECT kept_from FROM orders_kept'))[0]!;
  await keep(90);
  const now = async () => (await query('SELECT kept_from FROM orders_kept'))[0]!.kept_from;
  expect(await now()).toBe(from);
  await apply(address, checked.id);
  const before = sorted(await known());
  await keep(90);
  await expect.poll(now, { timeout: 60_000 }).not.toBe(from);
  await expect.poll(async () => olderLeft(String(await now())), { timeout: 60_000 }).toBe(0);
  expect(sorted(await known())).toEqual(before);
});
