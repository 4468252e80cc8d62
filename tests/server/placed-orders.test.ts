import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { CancelOutcome, ListedOrder, ReportedOrder } from '../../src/contract/shapes/placed-order.ts';
import type { Quote } from '../../src/contract/shapes/quote.ts';
import { call, etagOf, patchDraft, readDraft } from '../support/api.ts';
import { address, databaseUrl } from '../support/server-here.ts';

const cart = {
  lines: [{ product: 'tidewing-16', quantity: 1 }],
  destination: { country: 'NL', postcode: '1799 ZA' },
};
/** The offer that is limited to 500 uses in all, twice for a shopper; its code and a cart that reaches it. */
const limited = 'campaign';
const reaching = {
  ...cart,
  codes: ['GUST10'],
};
const door = 'nlbe-door';
let placed: string[] = [];
let count = 0;
const number = () => {
  const made = `T-${process.pid}-${Date.now()}-${++count}`;
  placed.push(made);
  return made;
};

const quoted = async (body: object) => (await call<Quote>(address, 'POST', '/api/quote', { body })).body;
const report = async (...orders: object[]) =>
  (await call<{ orders: ReportedOrder[] }>(address, 'POST', '/api/orders', { body: { orders } })).body.orders;
const cancel = async (...numbers: string[]) =>
  (await call<{ orders: CancelOutcome[] }>(address, 'POST', '/api/orders/cancel', { body: { numbers } })).body.orders;
const list = async (query: string) =>
  (await call<{ orders: ListedOrder[]; next: string | null }>(address, 'GET', `/api/orders?${query}`)).body;
const priceOf = ({ options }: Quote, option = door) => options.find(({ id }) => id === option)!.priceAfter;
const now = () => new Date().toISOString();
const order = (more: object) => ({ number: number(), placedAt: now(), cart, option: door, delivery: 0, ...more });
const past = (of: string) => call(address, 'GET', `/api/orders/order?number=${of}`);
const orders = async () =>
  (await call<{ orders: number }>(address, 'GET', '/api/orders/values?market=nlbe')).body.orders;

async function inDatabase<T extends RowDataPacket>(sql: string, values: unknown[] = []): Promise<T[]> {
  const connection = await createConnection({ uri: databaseUrl });
  const [rows] = await connection.query<T[]>(sql, values);
  await connection.end();
  return rows;
}
const setUses = (used: number) =>
  inDatabase('REPLACE INTO offer_use (offer_id, used, revision) VALUES (?, ?, 1)', [limited, used]);

beforeAll(async () => {
  placed = [];
});
afterAll(async () => {
  if (placed.length > 0) await cancel(...placed);
  await inDatabase('DELETE FROM reservation');
  await setUses(0);
});

describe('an order placed', () => {
  test('becomes a past order with its columns, and is there again only once', async () => {
    const before = await orders();
    const delivery = priceOf(await quoted(cart));
    const one = order({ delivery, shopperKey: 'somebody' });
    expect(await report(one)).toEqual([
      {
        number: one.number,
        outcome: 'new',
        verdict: 'agrees',
        because: null,
        offer: null,
        expected: delivery,
        problem: null,
      },
    ]);
    expect((await past(one.number)).body).toMatchObject({
      number: one.number,
      market: 'nlbe',
      country: 'NL',
      postcode: '1799 ZA',
      currency: 'EUR',
      delivery,
      option: door,
      lines: [{ quantity: 1 }],
    });
    expect(await orders()).toBe(before + 1);
    expect(await report(one, one)).toMatchObject([{ outcome: 'known' }, { outcome: 'known' }]);
    expect(await orders()).toBe(before + 1);
    expect(await report({ ...one, delivery: delivery + 1 })).toMatchObject([
      { outcome: 'refused', problem: { status: 409 } },
    ]);
    expect(await cancel(one.number, one.number, 'never-there')).toEqual([
      { number: one.number, outcome: 'cancelled' },
      { number: one.number, outcome: 'wasCancelled' },
      { number: 'never-there', outcome: 'unknown' },
    ]);
    expect((await past(one.number)).status).toBe(404);
    expect(await orders()).toBe(before);
    expect(await report(one)).toMatchObject([{ outcome: 'cancelled' }]);
  });
  test('takes its cart from the signed quote that it names, and its shopper', async () => {
    const quote = await quoted({ ...reaching, shopperKey: 'quoted-shopper', sign: { minutes: 5 } });
    const delivery = priceOf(quote);
    const [one] = await report({
      number: number(),
      placedAt: now(),
      quote: quote.signed!.id,
      option: door,
      delivery,
    });
    expect(one).toMatchObject({ outcome: 'new', verdict: 'agrees', expected: delivery });
    const kept = await inDatabase(
      'SELECT p.shopper_hash, q.asked FROM placed_order p JOIN given_quote q ON q.id = p.quote_id WHERE p.order_number = ?',
      [one!.number],
    );
    expect(kept[0]!.shopper_hash).toHaveLength(16);
    expect(String(kept[0]!.asked)).not.toContain('quoted-shopper');
    expect(
      await report({ number: number(), placedAt: now(), quote: 'x'.repeat(22), option: door, delivery }),
    ).toMatchObject([{ outcome: 'refused', problem: { fields: [{ pointer: '/quote' }] } }]);
  });
  test('agrees with what its quote offered to one person, although nothing is kept of who that was', async () => {
    const { body: before } = await call<{ release: number }>(address, 'GET', '/api/current');
    const when = {
      of: 'all',
      conditions: { who: { kind: 'word', fact: 'shopper.individual', operator: 'is', values: ['S-77'], order: 1 } },
    };
    const edited = await patchDraft(address, (await readDraft(address)).revision, [
      { op: 'add', path: '/offers/free-delivery/when', value: when },
    ]);
    await call(address, 'POST', '/api/releases', {
      body: { note: 'For one person', reason: 'The gaps of the demo are meant.' },
      headers: { 'if-match': etagOf(edited.body.revision) },
    });
    const many = { ...cart, lines: [{ product: 'tidewing-16', quantity: 9 }] };
    const quote = await quoted({
      ...many,
      shopper: { signedIn: true, individual: 'S-77' },
      sign: { minutes: 5 },
    });
    expect([priceOf(quote), priceOf(await quoted(many)) > 0]).toEqual([0, true]);
    const named = { number: number(), placedAt: now(), quote: quote.signed!.id, option: door, delivery: 0 };
    expect(await report(named)).toMatchObject([{ outcome: 'new', verdict: 'agrees', expected: 0 }]);
    const kept = await inDatabase('SELECT asked, outcome FROM given_quote WHERE id = ?', [named.quote]);
    expect(JSON.stringify(kept)).not.toContain('S-77');
    await call(address, 'POST', `/api/releases/${before.release}/roll-back`, { body: { note: '' } });
    await call(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(edited.body.revision) } });
  });
  test('says where shop and rules disagree, in the list with what was asked', async () => {
    const expected = priceOf(await quoted(cart));
    const shopper = { signedIn: true, individual: 'K-77', groups: { trade: true } } as const;
    const [more, less, elsewhere, undue, right] = await report(
      order({ delivery: expected + 100, cart: { ...cart, shopper: { signedIn: true, individual: 'K-77' } } }),
      order({ delivery: 0 }),
      order({ option: 'deat-door' }),
      order({ delivery: expected, offers: [limited] }),
      order({ delivery: expected }),
    );
    expect([more, less, elsewhere, undue, right].map((one) => one!.verdict)).toEqual([
      'more',
      'less',
      'notOffered',
      'offerNotDue',
      'agrees',
    ]);
    expect(elsewhere).toMatchObject({ because: 'notInZone', expected: null });
    expect(undue).toMatchObject({ offer: limited });
    const listed = await list('verdict=disagrees&state=standing');
    const of = (one: ReportedOrder | undefined) => listed.orders.find(({ number: its }) => its === one!.number);
    expect(of(more)).toMatchObject({
      delivery: expected + 100,
      expected,
      currency: 'EUR',
      asked: { lines: cart.lines, shopper: { signedIn: true } },
    });
    expect(JSON.stringify(of(more))).not.toContain(shopper.individual);
    expect(of(right)).toBeUndefined();
    expect(of(undue)!.offers).toEqual([limited]);
    const { body } = await call<{ orders: number; compared: number; disagreeing: Record<string, number> }>(
      address,
      'GET',
      '/api/orders/agreement',
    );
    expect(Object.values(body.disagreeing).every((one) => one >= 1)).toBe(true);
    expect(body.compared).toBeLessThanOrEqual(body.orders);
  });
  test('of another day is compared with the release of that day', async () => {
    const [row] = await inDatabase('SELECT MIN(released_at) AS first FROM policy_release');
    const before = new Date((row!.first as Date).getTime() - 60_000).toISOString();
    expect(await report(order({ placedAt: before }))).toMatchObject([
      { outcome: 'new', verdict: 'notCompared', because: 'beforeFirstRelease' },
    ]);
    const ahead = new Date(Date.now() + 86_400_000).toISOString();
    expect(await report(order({ placedAt: ahead }))).toMatchObject([
      { outcome: 'refused', problem: { fields: [{ pointer: '/placedAt' }] } },
    ]);
  });
  test('that cannot be taken says why, and leaves the others alone', async () => {
    const [first, second] = await report(
      order({ cart: { ...cart, lines: [{ product: 'none', quantity: 1 }] } }),
      order({}),
    );
    expect(first).toMatchObject({ outcome: 'refused', problem: { fields: [{ pointer: '/cart/lines/0/product' }] } });
    expect(second).toMatchObject({ outcome: 'new' });
  });
  test('is malformed without a cart or a quote, and with both; a thousand are taken at once', async () => {
    const both = { ...order({}), quote: 'x'.repeat(22) };
    const { cart: _, ...neither } = order({});
    for (const wrong of [both, neither, { ...order({}), number: '' }, { ...order({}), delivery: -1 }]) {
      const { status } = await call(address, 'POST', '/api/orders', { body: { orders: [wrong] } });
      expect(status).toBe(422);
    }
    const thousand = Array.from({ length: 1000 }, () => order({}));
    const outcomes = await report(...thousand);
    expect(new Set(outcomes.map(({ outcome }) => outcome))).toEqual(new Set(['new']));
    const { orders: page, next } = await list('state=standing');
    expect([page.length, next === null]).toEqual([200, false]);
    const following = await list(`state=standing&after=${next}`);
    const numbers = new Set([...page, ...following.orders].map((one) => one.number));
    expect(numbers.size).toBe(page.length + following.orders.length);
    const cancelled = await cancel(...thousand.map((one) => one.number));
    expect(new Set(cancelled.map(({ outcome }) => outcome))).toEqual(new Set(['cancelled']));
    expect((await call(address, 'POST', '/api/orders', { body: { orders: [...thousand, order({})] } })).status).toBe(
      422,
    );
  });
  test('reported by several at once is one order', async () => {
    const before = await orders();
    const one = order({});
    const outcomes = await Promise.all(Array.from({ length: 12 }, () => report(one)));
    expect(outcomes.flat().filter(({ outcome }) => outcome === 'new')).toHaveLength(1);
    expect(outcomes.flat().filter(({ outcome }) => outcome === 'known')).toHaveLength(11);
    expect(await orders()).toBe(before + 1);
  });
});

test('a quote names products that close the gap, each of which does', async () => {
  const { closing, goals } = await quoted({ ...cart, closing: { most: 3 } });
  const ahead = goals.find(({ offer }) => offer === 'free-delivery')!;
  expect(ahead.reached).toBe(false);
  expect(closing!.length).toBeGreaterThan(0);
  expect(closing!.map(({ cost }) => cost)).toEqual(closing!.map(({ cost }) => cost).sort((a, b) => a - b));
  for (const { product, quantity } of closing!) {
    const added = await quoted({ ...cart, lines: [...cart.lines, { product, quantity }] });
    expect(added.goals.find(({ offer }) => offer === 'free-delivery')!.reached).toBe(true);
  }
  expect((await quoted(cart)).closing).toBeNull();
  const reached = { ...cart, lines: [{ product: 'tidewing-16', quantity: 9 }], closing: { most: 3 } };
  expect((await quoted(reached)).closing).toBeNull();
});

describe('offers with limits', () => {
  const promises = ({ goodsRewards }: Quote) => goodsRewards.some(({ offer }) => offer === limited);

  test('count for a shopper by the orders that were reported, and no more once they are cancelled', async () => {
    await setUses(0);
    const shopperKey = `twice-${Date.now()}`;
    const buy = async () => {
      const quote = await quoted({ ...reaching, shopperKey });
      const one = order({
        cart: reaching,
        shopperKey,
        delivery: priceOf(quote),
        ...(promises(quote) ? { offers: [limited] } : {}),
      });
      expect(await report(one)).toMatchObject([{ outcome: 'new', verdict: 'agrees' }]);
      return { promised: promises(quote), one };
    };
    const bought = [await buy(), await buy(), await buy()];
    expect(bought.map(({ promised }) => promised)).toEqual([true, true, false]);
    expect(promises(await quoted({ ...reaching, shopperKey: 'another' }))).toBe(true);
    await cancel(bought[0]!.one.number);
    expect(promises(await quoted({ ...reaching, shopperKey }))).toBe(true);
  });
  test('fifty buyers for the last ten uses: what was promised is kept, and no more is promised', async () => {
    await inDatabase('DELETE FROM reservation');
    await setUses(490);
    const run = Date.now();
    const outcomes = await Promise.all(
      Array.from({ length: 50 }, async (_, buyer) => {
        const shopperKey = `buyer-${run}-${buyer}`;
        const quote = await quoted({ ...reaching, shopperKey, reserve: { minutes: 10 } });
        expect(quote.reserved!.offers.includes(limited)).toBe(promises(quote));
        // Some who have been promised it go away; it stays reserved for them.
        const leaves = buyer % 7 === 0;
        const one = order({ cart: reaching, shopperKey, delivery: priceOf(quote) });
        const [reported] = leaves ? [] : await report(one);
        return { promised: promises(quote), reported, number: one.number };
      }),
    );
    expect(outcomes.filter(({ promised }) => promised)).toHaveLength(10);
    for (const { reported } of outcomes)
      if (reported) expect(reported).toMatchObject({ outcome: 'new', verdict: 'agrees' });
    const [counted] = await inDatabase('SELECT used FROM offer_use WHERE offer_id = ?', [limited]);
    const bought = outcomes.filter(({ promised, reported }) => promised && reported);
    expect(counted!.used).toBe(490 + bought.length);
    expect(promises(await quoted(reaching))).toBe(false);
    await cancel(bought[0]!.number);
    expect(promises(await quoted({ ...reaching, shopperKey: 'late', reserve: { minutes: 1 } }))).toBe(true);
    expect(promises(await quoted(reaching))).toBe(false);
  });
  test('what is reserved is free again when its time is over, and one shopper reserves one use', async () => {
    await inDatabase('DELETE FROM reservation');
    await setUses(499);
    const ask = (shopperKey: string) => quoted({ ...reaching, shopperKey, reserve: { minutes: 5 } });
    expect(promises(await ask('first'))).toBe(true);
    expect(promises(await ask('first'))).toBe(true);
    expect(promises(await ask('second'))).toBe(false);
    await inDatabase('UPDATE reservation SET until_at = DATE_SUB(UTC_TIMESTAMP(3), INTERVAL 1 SECOND)');
    expect(promises(await ask('second'))).toBe(true);
    expect(promises(await ask('first'))).toBe(false);
  });
  test('a shopper who wants not to be known any more is not: orders stay, as anybody’s', async () => {
    const shopperKey = `forgotten-${Date.now()}`;
    const quote = await quoted({ ...reaching, shopperKey, reserve: { minutes: 5 } });
    const one = order({ cart: reaching, shopperKey, delivery: priceOf(quote), offers: [limited] });
    expect(await report(one)).toMatchObject([{ outcome: 'new' }]);
    await quoted({ ...reaching, shopperKey, reserve: { minutes: 5 } });
    const [before] = await inDatabase(
      'SELECT p.customer_hash AS hash, r.shopper_hash AS redeemed FROM past_order p JOIN redemption r USING (order_number) WHERE order_number = ?',
      [one.number],
    );
    const { hash } = before as { hash: Buffer };
    expect([hash.length, hash.equals(before!.redeemed as Buffer)]).toEqual([16, true]);
    const counted = await orders();
    const forgotten = await call<{ orders: number }>(address, 'POST', '/api/shoppers/forget', { body: { shopperKey } });
    expect([forgotten.status, forgotten.body]).toEqual([200, { orders: 1 }]);
    expect(await orders()).toBe(counted);
    expect((await past(one.number)).status).toBe(200);
    // Nowhere in the database is there a column that still has it.
    const columns = await inDatabase(
      "SELECT TABLE_NAME AS t, COLUMN_NAME AS c FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND COLUMN_TYPE = 'binary(16)' AND COLUMN_NAME LIKE '%_hash'",
    );
    expect(columns.length).toBeGreaterThanOrEqual(6);
    for (const { t, c } of columns as unknown as { t: string; c: string }[]) {
      const [left] = await inDatabase(`SELECT COUNT(*) AS count FROM ${t} WHERE ${c} = ?`, [hash]);
      expect([t, c, Number(left!.count)]).toEqual([t, c, 0]);
    }
    const again = await call<{ orders: number }>(address, 'POST', '/api/shoppers/forget', { body: { shopperKey } });
    expect(again.body).toEqual({ orders: 0 });
  });
  test('a use is reserved for a shopper who is named, by POST', async () => {
    const { status, body } = await call<{ fields: { pointer: string }[] }>(address, 'POST', '/api/quote', {
      body: { ...reaching, reserve: { minutes: 5 } },
    });
    expect([status, body.fields.map(({ pointer }) => pointer)]).toEqual([422, ['/shopperKey']]);
    for (const asks of [{ reserve: { minutes: 5 }, shopperKey: 'x' }, { sign: { minutes: 5 } }]) {
      const asked = encodeURIComponent(JSON.stringify({ ...reaching, ...asks }));
      expect((await call(address, 'GET', `/api/quote?asked=${asked}`)).status).toBe(422);
    }
  });
  test('what the shop counts itself wins', async () => {
    await setUses(500);
    expect(promises(await quoted({ ...reaching, redemptions: { [limited]: { inAll: 3 } } }))).toBe(true);
    await expect.poll(async () => promises(await quoted(reaching))).toBe(false);
  });
});
