import { request as rawRequest } from 'node:http';
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import { call, etagOf, readDraft, type DraftBody, type ProblemBody } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { announce, runOf, sendFile } from '../support/imports.ts';

let application: Application;
let address: string;
let url: string;
let connection: Connection;
beforeAll(async () => {
  url = await freshDatabase(inject('databaseServerUrl'), 'summant_abuse');
  application = await startApplication({ DATABASE_URL: url });
  address = application.address;
  connection = await mysql.createConnection({ uri: url, timezone: 'Z' });
});
afterAll(async () => {
  await connection.end();
  await application.stop();
});

const patched = async (patch: unknown, raw?: string) => {
  const { revision } = await readDraft(address);
  return call<DraftBody & ProblemBody>(address, 'PATCH', '/api/draft', {
    ...(raw === undefined ? { body: patch } : { raw }),
    headers: { 'content-type': 'application/json-patch+json', 'if-match': etagOf(revision) },
  });
};
const ready = async () => (await fetch(`${address}/readyz`)).status;

describe('a draft that would not be valid is never stored', () => {
  test.each([
    [
      'a text in place of a discount',
      { op: 'add', path: '/testCarts/beach-day/discounts', value: { a: { order: 1, discount: '10%' } } },
    ],
    [
      'a text in place of a reward',
      { op: 'replace', path: '/offers/free-delivery/goals/first/rewards/delivery', value: 'gift' },
    ],
    [
      'a text in place of a part of an area',
      { op: 'replace', path: '/zones/nlbe-all/area/include', value: { a: 'wholeMarket' } },
    ],
    [
      'a text in place of a condition',
      { op: 'replace', path: '/qualifiers/members/condition/conditions', value: { a: 'yesNo' } },
    ],
    ['a market called __proto__', { op: 'add', path: '/markets/__proto__', value: { order: 1 } }],
    ['a way through a constructor', { op: 'add', path: '/markets/constructor/prototype/x', value: 1 }],
    ['the length of a list', { op: 'replace', path: '/markets/nlbe/countries/length', value: 0 }],
    ['no draft at all', { op: 'replace', path: '', value: [] }],
  ])('%s', async (_, operation) => {
    const before = await readDraft(address);
    const reply = await patched([operation]);
    expect(reply.status).toBe(422);
    expect(reply.body.fields!.length).toBeGreaterThan(0);
    expect(await readDraft(address)).toEqual(before);
    for (const page of ['/offers', '/delivery', '/rehearse']) expect((await fetch(address + page)).status).toBe(200);
  });
  test('a patch at the root works as RFC 6902 says', async () => {
    const before = await readDraft(address);
    const next = { ...before.policy, store: { ...before.policy.store, name: 'By the root' } };
    expect(
      (
        await patched([
          { op: 'test', path: '', value: before.policy },
          { op: 'replace', path: '', value: next },
        ])
      ).status,
    ).toBe(200);
    expect((await readDraft(address)).policy.store.name).toBe('By the root');
    expect((await patched([{ op: 'remove', path: '' }])).status).toBe(422);
  });
  test('one that is stored all the same is repaired, and until then every page says so', async () => {
    const own = await freshDatabase(inject('databaseServerUrl'), 'summant_repair');
    const first = await startApplication({ DATABASE_URL: own });
    const { revision, policy } = await readDraft(first.address);
    const name = await call<DraftBody>(first.address, 'PATCH', '/api/draft', {
      body: [{ op: 'replace', path: '/store/name', value: 'Before' }],
      headers: { 'content-type': 'application/json-patch+json', 'if-match': etagOf(revision) },
    });
    expect(name.status).toBe(200);
    await first.stop();
    const other = await mysql.createConnection(own);
    await other.query(
      'INSERT INTO draft_edit (store_id, revision, kind, state, label, patch, inverse, made_by, made_at, schema_version) SELECT store_id, revision + 1, kind, state, label, ?, inverse, made_by, made_at, schema_version FROM draft_edit ORDER BY revision DESC LIMIT 1',
      [JSON.stringify([{ op: 'replace', path: '/markets', value: { nlbe: 'broken' } }])],
    );
    await other.query('UPDATE draft SET revision = revision + 1, updated_at = UTC_TIMESTAMP(3)');
    await other.end();
    const again = await startApplication({ DATABASE_URL: own, SUMMANT_LOG: 'silent' });
    try {
      const page = await fetch(`${again.address}/offers`);
      expect([page.status, await page.text()]).toEqual([500, expect.stringContaining('needs to be repaired')]);
      expect((await call(again.address, 'GET', '/api/draft')).status).toBe(409);
      // The shop goes on.
      expect(
        (
          await call(again.address, 'POST', '/api/quote', {
            body: { lines: [{ product: 'winder', quantity: 1 }], destination: { country: 'NL', postcode: '' } },
          })
        ).status,
      ).toBe(200);
      expect((await call(again.address, 'POST', '/api/draft/repair')).body).toEqual({
        repaired: true,
        backTo: name.body.revision,
      });
      const draft = await readDraft(again.address);
      expect(draft.policy).toEqual({ ...policy, store: { ...policy.store, name: 'Before' } });
      expect((await fetch(`${again.address}/offers`)).status).toBe(200);
      expect((await call(again.address, 'POST', '/api/draft/repair')).body).toEqual({ repaired: false, backTo: null });
    } finally {
      await again.stop();
    }
  });
});

describe('bodies that cost more than they should', () => {
  const within = async (ms: number, work: () => Promise<{ status: number }>) => {
    const heartbeats: number[] = [];
    let last = performance.now();
    let running = true;
    const beat = (async () => {
      while (running) {
        await (await fetch(`${address}/healthz`)).arrayBuffer();
        heartbeats.push(performance.now() - last);
        last = performance.now();
      }
    })();
    const { status } = await work();
    running = false;
    await beat;
    expect(Math.max(0, ...heartbeats)).toBeLessThan(ms);
    return status;
  };
  // Far above what it takes, and far below what it took: nothing here is a measure of speed.
  const long = 15_000;
  test('a list copied into itself forty times', async () => {
    const patch = [
      { op: 'add', path: '/x', value: [0] },
      ...Array.from({ length: 40 }, () => ({ op: 'copy', from: '/x', path: '/x/-' })),
    ];
    expect(await within(long, () => patched(patch))).toBe(422);
  });
  test('four megabytes of slashes as a path', async () =>
    expect(await within(long, () => patched([{ op: 'remove', path: '/'.repeat(4_000_000) }]))).toBe(422));
  test('four megabytes of what is no patch', async () =>
    expect(await within(long, () => patched(null, `[${'1,'.repeat(1_900_000)}1]`))).toBe(422));
  test('brackets without end', async () => {
    expect((await patched(null, '['.repeat(3_000_000))).status).toBe(400);
    expect((await patched(null, '['.repeat(1_000_000) + ']'.repeat(1_000_000))).status).toBe(400);
  });
  test('more than a policy may take is refused with its size', async () => {
    const many = (of: number) =>
      Object.fromEntries(
        Array.from({ length: 50_000 }, (_, i) => [
          `${of}${String(i).padStart(5, '0')}AAAAAAAAAAAAAAAAAAAAAAAAAAAAA`,
          true,
        ]),
      );
    let refused: string | undefined;
    for (let of = 1; of <= 9 && !refused; of++) {
      const reply = await patched([
        {
          op: 'add',
          path: `/zones/nlbe-islands/area/include/list-${of}`,
          value: { kind: 'postcodes', country: 'NL', patterns: many(of) },
        },
      ]);
      if (reply.status === 422) refused = reply.body.fields![0]!.message;
      else expect(reply.status).toBe(200);
    }
    expect(refused).toMatch(/would take [\d.]+ MB; it may take at most [\d.]+ MB/);
    // As large as it has become, it works: an edit, undo, a release.
    const { revision } = await readDraft(address);
    const undone = await call<DraftBody>(address, 'POST', '/api/draft/undo', {
      headers: { 'if-match': etagOf(revision) },
    });
    expect(undone.status).toBe(200);
    expect(
      (
        await call(address, 'POST', '/api/releases', {
          body: { note: 'large', reason: 'only large' },
          headers: { 'if-match': etagOf(undone.body.revision) },
        })
      ).status,
    ).toBe(201);
    for (let step = 0; step < 9; step++) {
      const now = await readDraft(address);
      if (!now.canUndo?.includes('Zone')) break;
      expect(
        (await call(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(now.revision) } })).status,
      ).toBe(200);
    }
  }, 120_000);
});

describe('requests that make no sense', () => {
  const raw = (method: string, path: string, headers: Record<string, string> = {}, body?: string) =>
    new Promise<{ status: number; headers: Record<string, string | string[] | undefined>; body: string }>(
      (resolve, reject) => {
        const { hostname, port } = new URL(address);
        const asked = rawRequest({ hostname, port, path, method, headers }, (response) => {
          let text = '';
          response.on('data', (chunk: Buffer) => (text += chunk.toString()));
          response.on('end', () => resolve({ status: response.statusCode!, headers: response.headers, body: text }));
        });
        asked.once('error', reject);
        asked.end(body);
      },
    );
  test('methods that are none', async () => {
    for (const method of ['TRACE', 'PROPFIND', 'LOCK'])
      expect([method, (await raw(method, '/api/draft')).status]).toEqual([method, 405]);
  });
  test('half a character', async () => {
    const cart = (code: string) =>
      `{"lines":[{"product":"winder","quantity":1}],"destination":{"country":"NL","postcode":""},"codes":["${code}"]}`;
    expect((await call(address, 'POST', '/api/quote', { raw: cart('\\ud800') })).status).toBe(400);
    expect((await call(address, 'POST', '/api/quote', { raw: cart('\\ud83d\\ude00') })).status).toBe(200);
    expect(
      (
        await patched(
          [{ op: 'replace', path: '/store/name', value: 'x' }],
          '[{"op":"replace","path":"/store/name","value":"\\udfff"}]',
        )
      ).status,
    ).toBe(400);
  });
  test('languages and revisions that do not exist', async () => {
    expect((await call(address, 'GET', '/api/draft/history?offer=free-delivery&language=en-US-US')).status).toBe(200);
    const future = await fetch(`${address}/api/draft/policy?revision=999999&stamp=x`);
    expect([future.status, future.headers.get('cache-control')]).toEqual([404, 'no-store']);
  });
  test('the shop’s call with a slash at its end, from another site', async () => {
    const cart = JSON.stringify({
      lines: [{ product: 'winder', quantity: 1 }],
      destination: { country: 'NL', postcode: '' },
    });
    expect(
      (
        await raw(
          'POST',
          '/api/quote/',
          { 'content-type': 'application/json', origin: 'https://shop.example.com' },
          cart,
        )
      ).status,
    ).toBe(200);
  });
  test('a name without a port asks the carrier as it is set up, nobody else', async () => {
    const cart = JSON.stringify({
      lines: [{ product: 'skua-power', quantity: 1 }],
      destination: { country: 'DE', postcode: '27499' },
    });
    const { port } = new URL(address);
    for (const host of [`127.0.0.1:${port}`, '127.0.0.1', '127.0.0.1:1']) {
      const answer = JSON.parse(
        (await raw('POST', '/api/quote', { 'content-type': 'application/json', host }, cart)).body,
      ) as { carriersSilent: string[]; options: unknown[] };
      expect([host, answer.carriersSilent]).toEqual([host, []]);
    }
  });
  test('another scheme is another origin', async () => {
    const { host } = new URL(address);
    const write = (origin: string) =>
      raw('POST', '/api/demo', { origin, host, 'content-type': 'application/json' }, '{}');
    expect((await write(`https://${host}`)).status).toBe(403);
    expect((await write(`http://${host}`)).status).not.toBe(403);
  });
  test.each(['/nowhere', '/nowhere/deeper', '/offers/17'])('%s leads nowhere, which a page says', async (path) => {
    const response = await fetch(address + path);
    expect([response.status, response.headers.get('content-type')]).toEqual([404, 'text/html; charset=utf-8']);
    expect(await response.text()).toMatch(/plain\.css.*There is no such page.*href="\/offers"/s);
  });
  test('every answer says what it may be used for', async () => {
    for (const path of ['/api/draft', '/healthz', '/nowhere', '/offers', '/favicon.svg', '/openapi.json']) {
      const { headers } = await raw('GET', path);
      expect([path, headers['cross-origin-resource-policy'], Boolean(headers['content-security-policy'])]).toEqual([
        path,
        'same-origin',
        true,
      ]);
    }
  });
  test('a discount of more than everything, and amounts beyond what is exact', async () => {
    const cart = { lines: [{ product: 'winder', quantity: 1 }], destination: { country: 'NL', postcode: '' } };
    expect(
      (
        await call(address, 'POST', '/api/quote', {
          body: { ...cart, discounts: [{ kind: 'percent', percent: '150' }] },
        })
      ).status,
    ).toBe(422);
    expect((await call(address, 'POST', '/api/quote', { body: { ...cart, discounts: ['10%'] } })).status).toBe(422);
    const { status, body } = await call<{ totals: { goods: number; toPay: number } }>(address, 'POST', '/api/quote', {
      body: {
        ...cart,
        discounts: [
          { kind: 'percent', percent: '100' },
          { kind: 'amount', amount: 1_000_000_000_000 },
        ],
      },
    });
    expect([status, body.totals.goods]).toEqual([200, 0]);
  });
});

describe('much at once', () => {
  const file = (count: number, prefix: string) =>
    `Order number,Date,Country,SKU,Quantity,Line total\n${Array.from({ length: count }, (_, i) => `${prefix}-${i >> 1},2025-03-14,${i % 7 === 0 ? 'XX' : 'NL'},LR-50,1,10.00`).join('\n')}\n`;
  test('twelve files of lines, partly refused: each ends, and the database answers', async () => {
    const runs = await Promise.all(
      Array.from({ length: 12 }, async (_, index) => {
        const text = file(400, `DL${index}`);
        const { id } = await announce(address, text, { rows: 'lines' });
        return { id, text };
      }),
    );
    const send = async ({ id, text }: { id: number; text: string }): Promise<number> => {
      for (let tries = 0; ; tries++) {
        const { status } = await sendFile(address, id, text);
        if (status !== 429 || tries > 100) return status;
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
    };
    expect(await Promise.all(runs.map(send))).toEqual(runs.map(() => 200));
    for (const { id } of runs) {
      expect((await runOf(address, id)).state).toBe('checked');
      await call(address, 'POST', `/api/imports/${id}/cancel`, { body: {} });
    }
    expect(await ready()).toBe(200);
  }, 60_000);
  test('one file sent twice at once is read once and whole', async () => {
    for (let round = 0; round < 5; round++) {
      const text = `Order number,Date,Country,Subtotal\n${Array.from({ length: 2000 }, (_, i) => `TW${round}-${i},2025-03-14,NL,${(i % 90) + 10}.00`).join('\n')}\n`;
      const { id } = await announce(address, text);
      const statuses = (await Promise.all([sendFile(address, id, text), sendFile(address, id, text)]))
        .map(({ status }) => status)
        .sort();
      expect(statuses).toEqual([200, 409]);
      expect(await runOf(address, id)).toMatchObject({ state: 'checked', staged: 2000 });
      await call(address, 'POST', `/api/imports/${id}/cancel`, { body: {} });
    }
  }, 60_000);
  test('what nobody confirms is cleared away after a day', async () => {
    const { id } = await announce(address, 'Order number,Date,Country,Subtotal\nOLD-1,2025-03-14,NL,10.00\n');
    await sendFile(address, id, 'Order number,Date,Country,Subtotal\nOLD-1,2025-03-14,NL,10.00\n');
    await connection.query(
      'UPDATE import_run SET alive_at = DATE_SUB(UTC_TIMESTAMP(3), INTERVAL 25 HOUR) WHERE id = ?',
      [id],
    );
    await expect.poll(async () => (await runOf(address, id)).state).toBe('cancelled');
    // Its table goes after it has been said to be cancelled.
    await expect
      .poll(async () => (await connection.query<RowDataPacket[]>('SHOW TABLES LIKE ?', [`staged_${id}`]))[0])
      .toEqual([]);
  });
  test('ten writers that try again at once all get through', async () => {
    const done = new Array<number>(10).fill(0);
    let running = true;
    const writer = async (index: number) => {
      let { revision } = await readDraft(address);
      while (running) {
        const response = await fetch(`${address}/api/draft`, {
          method: 'PATCH',
          headers: {
            'content-type': 'application/json-patch+json',
            'if-match': etagOf(revision),
            prefer: 'return=minimal',
          },
          body: JSON.stringify([
            { op: 'replace', path: '/offers/free-delivery/note', value: `${index} ${Math.random()}` },
          ]),
        });
        const body = (await response.json()) as { revision: number; draft?: { revision: number } };
        if (response.status === 200) done[index]!++;
        revision = response.status === 200 ? body.revision : body.draft!.revision;
      }
    };
    const writers = Array.from({ length: 10 }, (_, index) => writer(index));
    try {
      await expect.poll(() => Math.min(...done), { timeout: 120_000, interval: 100 }).toBeGreaterThanOrEqual(3);
    } finally {
      running = false;
      await Promise.all(writers);
    }
  });
});

test('a quote finds products by SKU, takes a product on two lines as one, and says what a shop asks for', async () => {
  type Quote = {
    lines: { product: string; sku: string; quantity: number; value: number; tax: number }[];
    totals: { tax: number; taxes: { rate: string; tax: number }[]; toPay: number };
    options: { id: string; totals: { toPay: number } }[];
    preselected: string;
    pricesIncludeTax: boolean;
    unavailable: { shown: boolean }[];
  };
  const ask = async (lines: unknown) =>
    (
      await call<Quote>(address, 'POST', '/api/quote', {
        body: { lines, destination: { country: 'NL', postcode: '' } },
      })
    ).body;
  const byId = await ask([
    { product: 'winder', quantity: 3 },
    { product: 'kite-book', quantity: 1 },
  ]);
  const { sku } = byId.lines[0]!;
  const bySku = await ask([
    { product: sku, quantity: 1 },
    { product: 'kite-book', quantity: 1 },
    { product: 'winder', quantity: 2 },
  ]);
  expect(bySku.lines).toEqual(byId.lines);
  expect(bySku.totals).toEqual(byId.totals);
  expect(byId.pricesIncludeTax).toBe(true);
  expect(byId.totals.taxes.map(({ rate }) => rate)).toEqual(['21', '9']);
  expect(byId.totals.taxes.reduce((sum, { tax }) => sum + tax, 0)).toBe(byId.totals.tax);
  for (const { id, totals } of byId.options) if (id === byId.preselected) expect(totals.toPay).toBe(byId.totals.toPay);
});
