import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import { generateOrders } from '../../demo/generate-orders.ts';
import { orderExport, type ExportForm } from '../../demo/order-export.ts';
import { linesFromText } from '../../src/server/orders/order-store.ts';
import { call, type ProblemBody } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { announce, apply, check, runOf, sendFile } from '../support/imports.ts';
import { monthsAddress, monthsOf, ordersOf } from '../support/orders-of.ts';

let application: Application;
let address: string;
let connection: Connection;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_import');
  application = await startApplication({ DATABASE_URL: url });
  address = application.address;
  connection = await mysql.createConnection({ uri: url, timezone: 'Z' });
});
afterAll(async () => {
  await connection.end();
  await application.stop();
});

const form: ExportForm = { delimiter: ';', decimal: 'comma', dates: 'ymd', rows: 'orders' };
const exported = (count: number, prefix: string, rows: ExportForm['rows'] = 'orders', seed = 3) => {
  const orders = generateOrders(seed, count);
  for (const order of orders) order.orderNumber = order.orderNumber.replace('GK', prefix);
  return { orders, text: `${[...orderExport(orders, { ...form, rows })].join('\r\n')}\r\n` };
};
const query = async (sql: string, values: unknown[] = []) => (await connection.query<RowDataPacket[]>(sql, values))[0];
const countOf = async (prefix: string) =>
  Number((await query('SELECT COUNT(*) AS n FROM past_order WHERE order_number LIKE ?', [`${prefix}-%`]))[0]!.n);
const tables = async () =>
  (await query("SHOW TABLES LIKE 'staged%'")).length +
  (await query("SHOW TABLES LIKE 'replaced%'")).length +
  (await query("SHOW TABLES LIKE 'firsts%'")).length;

describe('orders, a row each', () => {
  test('a dry run changes nothing; then every order is there as in the file; a second time changes nothing', async () => {
    const { orders, text } = exported(3000, 'IMP');
    const checked = await check(address, text);
    expect(checked).toMatchObject({
      state: 'checked',
      rowsRead: 3000,
      staged: 3000,
      fresh: 3000,
      changed: 0,
      same: 0,
      rejected: 0,
    });
    expect(await countOf('IMP')).toBe(0);
    expect(await apply(address, checked.id)).toMatchObject({ state: 'done', fresh: 3000, applied: 3000 });
    const rows = await query("SELECT * FROM past_order WHERE order_number LIKE 'IMP-%' ORDER BY order_number");
    expect(rows).toHaveLength(3000);
    for (const [i, order] of [...orders].sort((a, b) => (a.orderNumber < b.orderNumber ? -1 : 1)).entries()) {
      expect(rows[i]).toMatchObject({
        order_number: order.orderNumber,
        placed_at: order.placedAt,
        market_id: order.marketId,
        country: order.country,
        postcode: order.postcode,
        currency: order.currency,
        goods_minor: order.goodsMinor,
        discount_minor: order.discountMinor,
        delivery_minor: order.deliveryMinor,
        option_id: order.optionId,
        items: order.items,
        weight_grams: order.weightGrams,
        returning_shopper: order.returning ? 1 : 0,
      });
    }
    const again = await check(address, text);
    expect(again).toMatchObject({ fresh: 0, changed: 0, same: 3000 });
    await apply(address, again.id);
    expect(await query("SELECT * FROM past_order WHERE order_number LIKE 'IMP-%' ORDER BY order_number")).toEqual(rows);
    expect(await tables()).toBe(0);
  });

  test('an order that has changed is changed; what the file does not say stays', async () => {
    await apply(
      address,
      (
        await check(
          address,
          'Order number,Date,Country,Subtotal,Postcode,Returning\nCH-1,2025-03-14,NL,50.00,1799 ZA,yes\nCH-2,2025-03-14,NL,20.00,,\n',
        )
      ).id,
    );
    const checked = await check(
      address,
      'Order number,Date,Country,Subtotal\nCH-1,2025-03-14,NL,55.00\nCH-2,2025-03-14,NL,20.00\n',
    );
    expect(checked).toMatchObject({ fresh: 0, changed: 1, same: 1 });
    await apply(address, checked.id);
    expect(
      (await query("SELECT goods_minor, postcode, returning_shopper FROM past_order WHERE order_number = 'CH-1'"))[0],
    ).toEqual({ goods_minor: 5500, postcode: '1799 ZA', returning_shopper: 1 });
  });

  test('rejected rows are told by line, column and reason, also as CSV; the others are imported', async () => {
    const text =
      'Order number,Date,Country,Subtotal,Note\nRE-1,2025-03-14,NL,50.00,=HYPERLINK("x")\nRE-2,2025-02-31,NL,50.00,\nRE-3,2025-03-14,NL,fifty,\nRE-1,2025-03-15,NL,51.00,\n"RE-5,2025-03-14,NL,50.00,\nRE-6,2025-03-14,NL,5.00,\n';
    const checked = await check(address, text.replace('=HYPERLINK("x")', '"=HYPERLINK(""x"")"'), { rows: 'orders' });
    expect(checked).toMatchObject({ staged: 2, rejected: 4 });
    const expected = [
      [3, 'Date', 'is not a date in the form year-month-day'],
      [4, 'Subtotal', 'is not a number with a decimal point'],
      [5, 'Order number', 'stands on line 2 already'],
      [6, '', 'a quote is opened here and never closed'],
    ];
    expect(checked.rejections.map(({ line, column, reason }) => [line, column, reason])).toEqual(expected);
    const csv = await fetch(`${address}/api/imports/${checked.id}/rejected.csv`);
    expect(csv.headers.get('content-type')).toMatch(/^text\/csv/);
    expect(await csv.text()).toBe(['line,column,reason', ...expected.map((row) => row.join(',')), ''].join('\r\n'));
    await apply(address, checked.id);
    expect(await countOf('RE')).toBe(2);
  });

  test('customers’ keys are kept as hashes that tell the same customer, and say who is new; nothing else personal is kept', async () => {
    const text =
      'Order number,Date,Country,Subtotal,Email,Name\nCU-1,2025-01-10,NL,50.00,Someone@example.com,Secretname\nCU-2,2025-02-10,NL,60.00,someone@example.com,Secretname\nCU-3,2025-02-11,NL,70.00,other@example.com,Othername\n';
    await apply(address, (await check(address, text)).id);
    const rows = await query(
      "SELECT order_number, returning_shopper, HEX(customer_hash) AS hash FROM past_order WHERE order_number LIKE 'CU-%' ORDER BY order_number",
    );
    expect(rows.map((row) => row.returning_shopper)).toEqual([0, 1, 0]);
    expect(rows[0]!.hash).toBe(rows[1]!.hash);
    expect(rows[2]!.hash).not.toBe(rows[0]!.hash);
    for (const table of ['past_order', 'import_run', 'import_rejection', 'import_mapping']) {
      const everything = JSON.stringify(await query(`SELECT * FROM ${table}`)).toLowerCase();
      for (const word of ['someone@', 'secretname', 'othername']) expect(everything).not.toContain(word);
    }
    expect(await check(address, text)).toMatchObject({ same: 3, changed: 0 });
  });

  test('a file in Shift JIS', async () => {
    // “日本” and “夏”, by the index of JIS X 0208 in the WHATWG Encoding Standard.
    const japan = [0x93, 0xfa, 0x96, 0x7b];
    const summer = [0x89, 0xc4];
    const ascii = (text: string) => [...text].map((letter) => letter.charCodeAt(0));
    const heading = 'Number;Date;Country;Subtotal;Code\r\n';
    const bytes = new Uint8Array([
      ...ascii(`${heading}sjis-1;2025-03-14;`),
      ...japan,
      ...ascii(';5000;'),
      ...summer,
      ...ascii('\r\n'),
    ]);
    const { id } = await announce(address, heading, { encoding: 'shift_jis' });
    expect((await sendFile(address, id, bytes)).body).toMatchObject({ staged: 1, rejected: 0 });
    await apply(address, id);
    expect(
      (await query('SELECT market_id, code, goods_minor FROM past_order WHERE order_number = ?', ['sjis-1']))[0],
    ).toEqual({ market_id: 'jp', code: '夏', goods_minor: 5000 });
  });

  test.each(['utf-16le', 'windows-1252'] as const)('a file in %s', async (encoding) => {
    const text = `Numéro;Date;Pays;Sous-total;Code\r\n${encoding}-1;2025-03-14;Suède;50,00;ÉTÉ\r\n${encoding}-2;2025-03-14;Japon;5000;ÉTÉ\r\n`;
    const units = Array.from(text, (letter) => letter.charCodeAt(0));
    const bytes =
      encoding === 'utf-16le'
        ? new Uint8Array([0xff, 0xfe, ...units.flatMap((unit) => [unit & 255, unit >> 8])])
        : new Uint8Array(units);
    const { id } = await announce(address, text, { encoding });
    const sent = await sendFile(address, id, bytes);
    expect(sent.body).toMatchObject({ staged: 2, rejected: 0 });
    await apply(address, id);
    expect(
      (await query('SELECT market_id, code, goods_minor FROM past_order WHERE order_number = ?', [`${encoding}-2`]))[0],
    ).toEqual({ market_id: 'jp', code: 'ÉTÉ', goods_minor: 5000 });
  });
});

describe('orders, a row a line', () => {
  test('rows of an order become one, wherever they stand; one bad row leaves the whole order out', async () => {
    const { orders, text } = exported(500, 'LN', 'lines');
    const [heading, ...rows] = text.trim().split('\r\n');
    // The last row of each order goes to the end of the file, far from its first; one order gets a bad row there.
    const last = new Map(rows.map((row) => [row.slice(0, row.indexOf(';')), row]));
    const moved = [...last.values()].filter(
      (row) => rows.filter((other) => other.startsWith(`${row.split(';')[0]};`)).length > 1,
    );
    const spoiled = moved[5]!;
    const body = [
      heading,
      ...rows.filter((row) => !moved.includes(row)),
      ...moved.map((row) => (row === spoiled ? row.replace(/;\d+$/, ';several') : row)),
    ].join('\r\n');
    const checked = await check(address, body);
    expect(checked).toMatchObject({ rowsRead: rows.length, staged: 499 });
    const bad = spoiled.split(';')[0]!;
    expect(checked.rejected).toBe(rows.filter((row) => row.startsWith(`${bad};`)).length);
    await apply(address, checked.id);
    const stored = await query(
      "SELECT order_number, goods_minor, items, goods_lines FROM past_order WHERE order_number LIKE 'LN-%'",
    );
    expect(stored).toHaveLength(499);
    const byNumber = new Map(orders.map((order) => [order.orderNumber, order]));
    for (const row of stored) {
      const order = byNumber.get(String(row.order_number))!;
      expect(row).toMatchObject({ goods_minor: order.goodsMinor, items: order.items });
      expect(linesFromText(String(row.goods_lines)).sort()).toEqual([...order.lines].sort());
    }
    expect(stored.some((row) => row.order_number === bad)).toBe(false);
  });
});

describe('stopping', () => {
  test('a file that breaks off leaves nothing behind', async () => {
    const { text } = exported(2000, 'BR');
    const before = await tables();
    const { id } = await announce(address, text);
    const half = new ReadableStream({
      start: (controller) => {
        controller.enqueue(new TextEncoder().encode(text.slice(0, text.length / 2)));
        setTimeout(() => controller.error(new Error('broken off')), 200);
      },
    });
    await expect(
      fetch(`${address}/api/imports/${id}/file`, { method: 'PUT', body: half, duplex: 'half' } as RequestInit),
    ).rejects.toThrow();
    await expect.poll(() => runOf(address, id).then(({ state }) => state)).toBe('failed');
    expect(await countOf('BR')).toBe(0);
    await expect.poll(tables).toBe(before);
  });
  test('one that was checked is discarded; a second confirmation and a second file are refused', async () => {
    const before = await tables();
    const checked = await check(address, 'Order number,Date,Country,Subtotal\nDI-1,2025-03-14,NL,50.00\n');
    expect((await sendFile(address, checked.id, 'x')).status).toBe(409);
    expect((await call(address, 'POST', `/api/imports/${checked.id}/cancel`, { body: {} })).status).toBe(202);
    expect(await runOf(address, checked.id)).toMatchObject({ state: 'cancelled' });
    expect((await call(address, 'POST', `/api/imports/${checked.id}/apply`, { body: {} })).status).toBe(409);
    expect((await call(address, 'POST', `/api/imports/${checked.id}/cancel`, { body: {} })).status).toBe(409);
    expect(await tables()).toBe(before);
  });
  test('one that is being taken over is taken back whole: new orders go, changed ones are as before', async () => {
    const { orders, text } = exported(60_000, 'TB', 'orders', 11);
    await apply(address, (await check(address, `${[...orderExport(orders.slice(0, 500), form)].join('\r\n')}\r\n`)).id);
    const before = await query("SELECT * FROM past_order WHERE order_number LIKE 'TB-%' ORDER BY order_number");
    const changedText = text.replace(/^(TB-\d+;[^;]+;[^;]+;[^;]+;)\d+/gm, '$17');
    const checked = await check(address, changedText);
    expect(checked).toMatchObject({ staged: 60_000, fresh: 59_500 });
    expect(checked.changed).toBeGreaterThan(400);
    await call(address, 'POST', `/api/imports/${checked.id}/apply`, { body: {} });
    await expect.poll(() => countOf('TB'), { interval: 5 }).toBeGreaterThan(500);
    expect((await call(address, 'POST', `/api/imports/${checked.id}/cancel`, { body: {} })).status).toBe(202);
    await expect.poll(() => runOf(address, checked.id).then(({ state }) => state)).toBe('cancelled');
    expect(await query("SELECT * FROM past_order WHERE order_number LIKE 'TB-%' ORDER BY order_number")).toEqual(
      before,
    );
  });
});

describe('what the picture is made of', () => {
  test('the packed columns follow each import', async () => {
    const before = (await ordersOf(address, 'uk')).count;
    const named = await monthsOf(address, 'uk');
    await apply(
      address,
      (
        await check(
          address,
          'Order number,Date,Country,Subtotal,Delivery charged,Delivery option\nPI-1,2026-01-02,GB,77.77,,by balloon\n',
        )
      ).id,
    );
    const after = await ordersOf(address, 'uk');
    // One month has another address now; under the others what the browser has kept still holds.
    const anew = await monthsOf(address, 'uk');
    const changed = named.filter(({ hash }) => !anew.some((month) => month.hash === hash));
    expect(changed.map(({ month }) => month)).toEqual(['2026-01-01']);
    const kept = await fetch(monthsAddress(address, 'uk', anew.slice(0, 2)));
    expect([kept.status, kept.headers.get('cache-control')]).toEqual([200, 'private, max-age=31536000, immutable']);
    await kept.arrayBuffer();
    // What names one that has changed, one twice, or more than travel together has changed as a whole.
    for (const months of [changed, [anew[0]!, ...changed], [anew[0]!, anew[0]!], new Array(41).fill(anew[0]!)])
      expect((await call(address, 'GET', monthsAddress('', 'uk', months))).status).toBe(404);
    expect(after.count).toBe(before + 1);
    const values = (
      await call<{ orders: number; counts: number[]; valueSteps: number[] }>(
        address,
        'GET',
        '/api/orders/values?market=uk',
      )
    ).body;
    expect(values.orders).toBe(after.count);
    expect(values.valueSteps.reduce((sum, step) => sum + step, 0)).toBe(Math.max(...after.goods));
    const index = after.goods.indexOf(7777);
    expect([after.delivery[index], after.options[after.option[index]!], after.shopper[index]]).toEqual([
      -1,
      'by balloon',
      0,
    ]);
    expect(
      (await query("SELECT COUNT(*) AS n FROM past_order WHERE market_id = 'uk' AND currency = 'GBP'"))[0]!.n,
    ).toBe(after.count);
  });

  test('Results begins with the first and the last day of each market’s orders, in its own currency', async () => {
    await query(
      "INSERT INTO past_order (order_number, placed_at, market_id, country, postcode, currency, goods_minor, discount_minor, delivery_minor, option_id, items, weight_grams, goods_lines) VALUES ('ELSE-1', '1999-01-01', 'uk', 'GB', '', 'EUR', 1, 0, 0, '', 1, 1, '')",
    );
    const page = await (await fetch(`${address}/results`)).text();
    await query("DELETE FROM past_order WHERE order_number = 'ELSE-1'");
    const spans = /spans&quot;:(\[0,{.*?}\]}\])/.exec(page)![1]!.replaceAll('&quot;', '"');
    for (const market of ['uk', 'nlbe', 'jp']) {
      const { day } = await ordersOf(address, market);
      const of = (which: string) => Number(new RegExp(`"${market}":\\[0,{[^}]*"${which}":\\[0,(\\d+)`).exec(spans)![1]);
      expect([of('firstDay'), of('lastDay')]).toEqual([Math.min(...day), Math.max(...day)]);
    }
  });
  test('what a group buys', async () => {
    const answer = await call<{ baskets: number; products: unknown[] }>(
      address,
      'GET',
      '/api/orders/group?market=nlbe&fromValue=4000&toValue=6000&fromDay=20000&toDay=20800',
    );
    expect(answer.status).toBe(200);
    expect(answer.body.baskets).toBeGreaterThan(100);
    expect(
      (await call<ProblemBody>(address, 'GET', '/api/orders/group?market=nlbe&fromValue=x')).body.fields?.map(
        ({ pointer }) => pointer,
      ),
    ).toEqual(['/toValue', '/fromDay', '/toDay', '/fromValue']);
    expect(
      (await call(address, 'GET', '/api/orders/group?market=moon&fromValue=0&toValue=1&fromDay=0&toDay=1')).status,
    ).toBe(404);
  });
});

describe('products', () => {
  test('new, changed and unchanged ones; what the file does not say stays', async () => {
    const text =
      'SKU;Name;Price EUR;Weight (g);Category\nGK-1001;Tidewing 1.6 beach kite;39,95;420;kites\nGK-1002;Tidewing 2.0 beach kite;57,00;560;kites\nNEW 1;Wind vane;12,50;300;Windsocks\nNEW-1;Another vane;13,50;300;Windsocks\n;No number;1;1;x\n';
    const checked = await check(address, text, {}, 'products');
    expect(checked).toMatchObject({ staged: 4, fresh: 2, changed: 1, same: 1, rejected: 1 });
    await apply(address, checked.id);
    const { products } = (
      await call<{ products: { id: string; sku: string; prices: Record<string, number>; tags: string[] }[] }>(
        address,
        'GET',
        '/api/products',
      )
    ).body;
    expect(products.find(({ sku }) => sku === 'GK-1002')).toMatchObject({
      id: 'tidewing-20',
      prices: { nlbe: 5700, deat: 5700, uk: 4845 },
    });
    expect(
      products
        .filter(({ sku }) => sku.startsWith('NEW'))
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['new-1', 'new-1-2']);
    expect(await check(address, text, {}, 'products')).toMatchObject({ fresh: 0, changed: 0, same: 4 });
  });
  test('of a long file each product gets an id of its own, whatever stands already and however SKUs resemble each other', async () => {
    const heading = 'SKU;Name;Price EUR;Weight (g)';
    const bring = async (skus: readonly string[]) => {
      const text = `${heading}\n${skus.map((sku) => `${sku};Vane;9,50;300`).join('\n')}\n`;
      const checked = await check(address, text, {}, 'products');
      expect(checked).toMatchObject({ staged: skus.length, rejected: 0 });
      await apply(address, checked.id);
    };
    // What is numbered stands without the plain one, and the plain one comes late in the file, after a batch has been read.
    await bring(['LIKE-2', 'LIKE-3']);
    const many = Array.from({ length: 1200 }, (_, index) => `PART ${index}`);
    await bring(['LIKE', ...many, 'like', 'L I K E', 'LIKE!', 'PART-7', 'PART.1100']);
    const { products } = (await call<{ products: { id: string; sku: string }[] }>(address, 'GET', '/api/products'))
      .body;
    const idOf = new Map(products.map(({ id, sku }) => [sku, id]));
    expect(new Set(idOf.values()).size).toBe(products.length);
    expect(['LIKE-2', 'LIKE-3', 'LIKE', 'like', 'LIKE!'].map((sku) => idOf.get(sku))).toEqual([
      'like-2',
      'like-3',
      'like',
      'like-4',
      'like-5',
    ]);
    expect(['PART 7', 'PART-7', 'PART 1100', 'PART.1100'].map((sku) => idOf.get(sku))).toEqual([
      'part-7',
      'part-7-2',
      'part-1100',
      'part-1100-2',
    ]);
  });
});

describe('requests', () => {
  test('a mapping is remembered for the same heading', async () => {
    const heading = ['Order number', 'Date', 'Country', 'Subtotal', 'Memo'];
    const ask = () =>
      call<{ mapping: { decimal: string } | null }>(address, 'POST', '/api/imports/remembered', {
        body: { kind: 'orders', heading },
      });
    expect((await ask()).body.mapping).toBeNull();
    await announce(address, `${heading.join(',')}\nA,2025-01-01,NL,"1,00",\n`, { decimal: 'comma' });
    expect((await ask()).body.mapping).toMatchObject({ decimal: 'comma' });
  });
  test('what cannot be read is refused with what is missing; unknown imports are 404; another heading than announced stops', async () => {
    const mapping = {
      kind: 'orders',
      encoding: 'utf-8',
      delimiter: ',',
      decimal: 'point',
      dates: 'ymd',
      rows: 'orders',
      goods: 'afterDiscount',
      weights: 'g',
      sizes: 'mm',
      market: null,
      columns: { number: 0 },
    };
    const post = (body: unknown) => call<ProblemBody>(address, 'POST', '/api/imports', { body });
    expect((await post({ fileName: 'x', fileBytes: 1, heading: ['a'], mapping })).body.detail).toContain(
      'a column for the date',
    );
    expect(
      (
        await post({
          fileName: 'x',
          fileBytes: 1,
          heading: ['a'],
          mapping: { ...mapping, market: 'moon', columns: { number: 0, placedAt: 0, goods: 0 } },
        })
      ).body.fields?.[0]?.pointer,
    ).toBe('/mapping/market');
    expect(
      (
        await post({
          fileName: 'x',
          fileBytes: 1,
          heading: ['a'],
          mapping: { ...mapping, market: 'uk', columns: { number: 0, placedAt: 7, goods: 0 } },
        })
      ).body.fields?.[0]?.pointer,
    ).toBe('/mapping/columns/placedAt');
    expect((await post({ fileName: 'x', mapping })).status).toBe(422);
    expect((await call(address, 'GET', '/api/imports/999999')).status).toBe(404);
    const { id } = await announce(address, 'Order number,Date,Country,Subtotal\nA,2025-01-01,NL,1\n');
    expect((await sendFile(address, id, 'Something,else\n1,2\n')).status).toBe(409);
    expect(await runOf(address, id)).toMatchObject({ state: 'failed' });
  });
});
