import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { ReportedOrder } from '../../src/contract/shapes/placed-order.ts';
import type { Quote } from '../../src/contract/shapes/quote.ts';
import { armOfBucket, bucketOf } from '../../src/core/experiments/arm-of.ts';
import type { Experiment } from '../../src/core/policy/types.ts';
import { call, etagOf, patchDraft, readDraft } from '../support/api.ts';
import { ordersOf } from '../support/orders-of.ts';
import { address, databaseUrl } from '../support/server-here.ts';

const id = 'lower-goal-ch';
const experiment: Experiment = {
  order: 9,
  name: 'A lower goal in Switzerland',
  market: 'ch',
  offer: 'free-delivery',
  goal: 'first',
  arms: {
    now: { order: 1, name: 'as it is', share: 4000, version: { kind: 'asIs' } },
    lower: { order: 2, name: 'from 20', share: 4000, version: { kind: 'target', target: { exact: 2000 } } },
  },
  from: '2020-01-01',
  until: '2199-12-31',
  measure: 'orderValue',
  smallestEffect: 300,
  plannedOrders: 1000,
  guard: false,
};
const cart = {
  lines: [{ product: 'tidewing-16', quantity: 1 }],
  destination: { country: 'CH', postcode: '8999' },
};
const run = `${process.pid}-${Date.now()}`;
const shoppers = Array.from({ length: 60 }, (_, index) => `shopper-${run}-${index}`);
/** As the documentation says it, worked out here. */
const armOf = (shopper: string): string | null => {
  const place = armOfBucket(bucketOf(id, shopper), [4000, 4000]);
  return place === null ? null : ['now', 'lower'][place]!;
};
const shoppersOf = (arm: string | null, count: number, of = 'more') =>
  Array.from({ length: count * 12 }, (_, index) => `${of}-${run}-${index}`)
    .filter((shopper) => armOf(shopper) === arm)
    .slice(0, count);
const quoted = async (more: object = {}) =>
  (await call<Quote>(address, 'POST', '/api/quote', { body: { ...cart, ...more } })).body;
const report = async (orders: object[]) =>
  (await call<{ orders: ReportedOrder[] }>(address, 'POST', '/api/orders', { body: { orders } })).body.orders;
const priceOf = ({ options }: Quote) => options.find(({ id: option }) => option === 'ch-door')!.priceAfter;

async function inDatabase<T extends RowDataPacket>(sql: string, values: unknown[] = []): Promise<T[]> {
  const connection = await createConnection({ uri: databaseUrl });
  const [rows] = await connection.query<T[]>(sql, values);
  await connection.end();
  return rows;
}
const armOfOrder = async (number: string) =>
  (await inDatabase('SELECT arm FROM past_order WHERE order_number = ?', [number]))[0]?.arm as string | undefined;

let before: number;
/** what delivery costs whoever takes no part */
let usual: number;
const numbers: string[] = [];
const number = () => {
  const made = `E-${run}-${numbers.length}`;
  numbers.push(made);
  return made;
};
const order = (more: object) => ({
  number: number(),
  placedAt: new Date().toISOString(),
  cart,
  option: 'ch-door',
  ...more,
});

async function release(change: Partial<Experiment>): Promise<number> {
  const { revision, policy } = await readDraft(address);
  const op = policy.experiments?.[id] ? 'replace' : 'add';
  const edited = await patchDraft(address, revision, [
    { op, path: `/experiments/${id}`, value: { ...experiment, ...change } },
  ]);
  expect(edited.status).toBe(200);
  const released = await call<{ number: number }>(address, 'POST', '/api/releases', {
    body: { note: 'An experiment', reason: 'The gaps of the demo are meant.' },
    headers: { 'if-match': etagOf(edited.body.revision) },
  });
  expect(released.status).toBe(201);
  return released.body.number;
}

beforeAll(async () => {
  const everybody = await quoted();
  before = everybody.release;
  usual = priceOf(everybody);
  expect(usual).toBeGreaterThan(0);
  await release({});
});

afterAll(async () => {
  for (let from = 0; from < numbers.length; from += 100)
    await call(address, 'POST', '/api/orders/cancel', { body: { numbers: numbers.slice(from, from + 100) } });
  const { revision } = await readDraft(address);
  await patchDraft(address, revision, [{ op: 'remove', path: `/experiments/${id}` }]);
  await call(address, 'POST', `/api/releases/${before}/roll-back`, { body: { note: '' } });
});

describe('a shopper of an experiment', () => {
  test('is quoted what the arm says that the stable hash gives, every time and in every answer', async () => {
    const everybody = await quoted();
    expect(everybody.arms).toEqual([]);
    expect(priceOf(everybody)).toBe(usual);
    for (const shopper of shoppers) {
      const arm = armOf(shopper);
      const answer = await quoted({ shopperKey: shopper });
      expect(answer.arms).toEqual(arm === null ? [] : [{ experiment: id, offer: 'free-delivery', arm }]);
      expect(priceOf(answer)).toBe(arm === 'lower' ? 0 : usual);
      expect(answer.goals.find(({ offer }) => offer === 'free-delivery')!.target).toBe(
        arm === 'lower' ? 2000 : everybody.goals.find(({ offer }) => offer === 'free-delivery')!.target,
      );
      const strip = answer.messages.find(({ place }) => place === 'strip')!.text;
      const asEverybody = strip === everybody.messages.find(({ place }) => place === 'strip')!.text;
      expect(asEverybody).toBe(arm !== 'lower');
    }
    expect(new Set(shoppers.map(armOf))).toEqual(new Set(['now', 'lower', null]));
  });

  test('takes no part in other markets', async () => {
    const [shopper] = shoppersOf('lower', 1);
    const answer = await quoted({ shopperKey: shopper, destination: { country: 'NL', postcode: '1799 ZA' } });
    expect(answer.arms).toEqual([]);
  });

  test('is counted once for its arm, however often it is quoted', async () => {
    const counted = async () => {
      const rows = await inDatabase<RowDataPacket>(
        'SELECT arm_id, shoppers FROM experiment_arm WHERE experiment_id = ?',
        [id],
      );
      return Object.fromEntries(rows.map((row) => [String(row.arm_id), Number(row.shoppers)]));
    };
    const all = (arm: string) => shoppers.filter((shopper) => armOf(shopper) === arm).length;
    await expect.poll(counted).toEqual({ now: all('now'), lower: all('lower') });
    for (const shopper of shoppers.slice(0, 10)) await quoted({ shopperKey: shopper });
    const more = shoppersOf('now', 3, 'counted');
    for (const shopper of more) await quoted({ shopperKey: shopper });
    await expect.poll(counted).toEqual({ now: all('now') + 3, lower: all('lower') });
  });
});

describe('an order of an experiment', () => {
  test('is of its shopper’s arm, and compared with what that arm offers', async () => {
    const [[lower], [now], [none]] = [shoppersOf('lower', 1, 'a'), shoppersOf('now', 1, 'a'), shoppersOf(null, 1, 'a')];
    const orders = [
      order({ shopperKey: lower, delivery: 0 }),
      order({ shopperKey: lower, delivery: usual }),
      order({ shopperKey: now, delivery: usual }),
      order({ shopperKey: none, delivery: usual }),
      order({ delivery: 0 }),
    ];
    expect((await report(orders)).map(({ verdict }) => verdict)).toEqual([
      'agrees',
      'more',
      'agrees',
      'agrees',
      'less',
    ]);
    const arms = await Promise.all(orders.map(({ number: of }) => armOfOrder(of)));
    expect(arms).toEqual([`${id}/lower`, `${id}/lower`, `${id}/now`, '', '']);
    const found = await call<{ arm: string }>(address, 'GET', `/api/orders/order?number=${orders[0]!.number}`);
    expect(found.body.arm).toBe(`${id}/lower`);
    const listed = await call<{ orders: { number: string; arm: string }[] }>(address, 'GET', '/api/orders?market=ch');
    expect(orders.map(({ number: of }) => listed.body.orders.find(({ number: one }) => one === of)?.arm)).toEqual(arms);
    const columns = await ordersOf(address, 'ch');
    const packed = [...columns.arm].map((place) => columns.arms[place]);
    expect(packed.filter((arm) => arm === `${id}/lower`)).toHaveLength(2);
    expect(packed.filter((arm) => arm === `${id}/now`)).toHaveLength(1);
  });

  test('is of the arm of the quote that it names, though shares have changed since', async () => {
    const [shopper] = shoppersOf('lower', 1, 'b');
    const quote = await quoted({ shopperKey: shopper, sign: { minutes: 60 } });
    expect(priceOf(quote)).toBe(0);
    await release({
      arms: {
        ...experiment.arms,
        now: { ...experiment.arms.now!, share: 9900 },
        lower: { ...experiment.arms.lower!, share: 100 },
      },
    });
    expect((await quoted({ shopperKey: shopper })).arms[0]?.arm).toBe('now');
    const { cart: _, ...named } = order({ quote: quote.signed!.id, delivery: 0 });
    expect((await report([named]))[0]).toMatchObject({ outcome: 'new', verdict: 'agrees' });
    expect(await armOfOrder(named.number)).toBe(`${id}/lower`);
    await release({});
  });
});

describe('an experiment that is over', () => {
  test('ends by itself once an arm surely loses margin, and everybody sees the goal as it stands', async () => {
    await release({ guard: true });
    const [lower, now] = [shoppersOf('lower', 110, 'c'), shoppersOf('now', 110, 'c')];
    const orders = [
      ...lower.map((shopperKey) => order({ shopperKey, delivery: 0 })),
      ...now.map((shopperKey) => order({ shopperKey, delivery: usual })),
    ];
    expect((await quoted({ shopperKey: lower[0] })).arms).toHaveLength(1);
    for (let from = 0; from < orders.length; from += 50)
      expect((await report(orders.slice(from, from + 50))).every(({ verdict }) => verdict === 'agrees')).toBe(true);
    await expect.poll(async () => (await quoted({ shopperKey: lower[0] })).arms).toEqual([]);
    expect(priceOf(await quoted({ shopperKey: lower[0] }))).toBe(usual);
    const [end] = await inDatabase('SELECT arm_id, high FROM experiment_end WHERE experiment_id = ?', [id]);
    expect(end!.arm_id).toBe('lower');
    expect(Number(end!.high)).toBeLessThan(0);
  });

  test('has no arms once somebody has decided', async () => {
    await inDatabase('DELETE FROM experiment_end WHERE experiment_id = ?', [id]);
    const [shopper] = shoppersOf('lower', 1, 'd');
    await release({});
    await expect.poll(async () => (await quoted({ shopperKey: shopper })).arms).toHaveLength(1);
    await release({ outcome: { endedOn: '2026-01-01', kept: null, learnt: 'Nothing.' } });
    expect((await quoted({ shopperKey: shopper })).arms).toEqual([]);
  });

  test.each([
    [
      'an arm that is not there is kept',
      { outcome: { endedOn: '2026-01-01', kept: 'gone', learnt: '' } },
      'outcome/kept',
    ],
    ['it ends before it begins', { until: '2019-12-31' }, 'until'],
    ['its first day is none', { from: '2026-02-30' }, 'from'],
    [
      'more than all shoppers have an arm',
      { arms: { ...experiment.arms, now: { ...experiment.arms.now!, share: 6001 } } },
      'arms',
    ],
  ])('is refused where %s', async (_, change, at) => {
    const { revision } = await readDraft(address);
    const { status, body } = await patchDraft<{ fields: { pointer: string }[] }>(address, revision, [
      { op: 'replace', path: `/experiments/${id}`, value: { ...experiment, ...change } },
    ]);
    expect(status).toBe(422);
    expect(JSON.stringify(body)).toContain(`/experiments/${id}/${at}`);
  });
});
