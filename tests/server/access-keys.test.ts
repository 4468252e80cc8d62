import { createHmac } from 'node:crypto';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import canonicalize from 'canonicalize';
import { afterAll, describe, expect, test } from 'vitest';
import type { AccessKey, ListedSecret, MadeKey, MadeSecret } from '../../src/contract/shapes/access-key.ts';
import type { Quote } from '../../src/contract/shapes/quote.ts';
import { call, type ProblemBody } from '../support/api.ts';
import { address, databaseUrl } from '../support/server-here.ts';

const origin = 'https://shop.example.com';
const cart = { lines: [{ product: 'tidewing-16', quantity: 1 }], destination: { country: 'NL', postcode: '1799 ZA' } };
/** As it comes from another machine, through a proxy that nobody has said to trust. */
const elsewhere = { 'x-forwarded-for': '192.0.2.7' };
const by = (token: string, more: Record<string, string> = {}) => ({
  ...elsewhere,
  authorization: `Bearer ${token}`,
  ...more,
});
const make = async (kind: AccessKey['kind'], origins: string[] = [], name = 'A shop') =>
  (await call<MadeKey>(address, 'POST', '/api/keys', { body: { name, kind, origins } })).body;
const quote = (headers: Record<string, string>, to: string = address) =>
  call<ProblemBody>(to, 'POST', '/api/quote', { body: cart, headers });
const revoke = (id: string) => call<AccessKey>(address, 'DELETE', `/api/keys/${id}`);
/** What a browser is told. */
const asks = (method: string, path: string, headers: Record<string, string>) =>
  fetch(address + path, { method, headers: { ...elsewhere, ...headers } });

afterAll(async () => {
  const { body } = await call<{ keys: AccessKey[] }>(address, 'GET', '/api/keys');
  for (const { id } of body.keys) await revoke(id);
});

test('without a key calls work from this machine, and through a proxy they do not', async () => {
  expect((await quote({})).status).toBe(200);
  for (const header of ['x-forwarded-for', 'forwarded', 'via', 'x-real-ip'])
    expect((await quote({ [header]: '192.0.2.7' })).status).toBe(401);
  const refused = await fetch(`${address}/api/current`, { headers: elsewhere });
  expect([refused.status, refused.headers.get('www-authenticate')]).toEqual([401, 'Bearer realm="Summant"']);
  expect((await call(address, 'GET', '/api/orders', { headers: elsewhere })).status).toBe(401);
  // However it is spelled.
  for (const path of [
    '/api/orders/',
    '/api/%6frders',
    '/%61pi/orders',
    '//api/orders',
    '/api//orders',
    '/api/./orders',
  ]) {
    const spelled = await fetch(address + path, { headers: elsewhere });
    expect([401, 404], path).toContain(spelled.status);
  }
  expect((await call(address, 'GET', '/api/draft', { headers: elsewhere })).status).toBe(401);
});

describe('a secret key', () => {
  test('makes every call of the shop from anywhere but a page, until it is revoked', async () => {
    const { key, token } = await make('secret');
    expect((await quote(by(token))).status).toBe(200);
    expect((await call(address, 'GET', '/api/orders', { headers: by(token) })).status).toBe(200);
    expect((await quote(by(token, { origin }))).status).toBe(403);
    expect((await revoke(key.id)).body.endsAt).not.toBeNull();
    expect((await quote(by(token))).status).toBe(401);
  });
  test('is told once, and only its hash is kept', async () => {
    const { key, token } = await make('secret', [], 'Told once');
    const connection = await createConnection({ uri: databaseUrl });
    const [rows] = await connection.query<RowDataPacket[]>('SELECT * FROM access_key WHERE id = ?', [key.id]);
    await connection.end();
    const kept = JSON.stringify(rows) + (rows[0]!.hash as Buffer).toString('latin1');
    expect(kept).toContain('Told once');
    expect(kept).not.toContain(token.split('.')[1]);
    const listed = await call(address, 'GET', '/api/keys');
    expect(JSON.stringify(listed.body)).not.toContain(token.split('.')[1]);
    await expect
      .poll(async () => {
        await quote(by(token));
        const { body } = await call<{ keys: AccessKey[] }>(address, 'GET', '/api/keys');
        return body.keys.find(({ id }) => id === key.id)!.usedAt;
      })
      .not.toBeNull();
  });
  test('is rotated with an overlap in which both are taken, or without', async () => {
    const { key, token } = await make('secret');
    const rotate = (id: string, overlapHours: number) =>
      call<MadeKey>(address, 'POST', `/api/keys/${id}/rotation`, { body: { overlapHours } });
    const { body: next } = await rotate(key.id, 24);
    expect(next.key).toMatchObject({ name: key.name, kind: 'secret', endsAt: null });
    expect([(await quote(by(token))).status, (await quote(by(next.token))).status]).toEqual([200, 200]);
    expect((await rotate(key.id, 24)).status).toBe(409);
    const { body: last } = await rotate(next.key.id, 0);
    expect([(await quote(by(next.token))).status, (await quote(by(last.token))).status]).toEqual([401, 200]);
    expect((await rotate('aaaaaaaaaaaa', 1)).status).toBe(404);
    expect((await rotate(last.key.id, 721)).status).toBe(422);
  });
});

describe('a publishable key', () => {
  test('only quotes, from pages of its origins, which are told so exactly', async () => {
    const { token } = await make('publishable', [origin]);
    const headers = { ...by(token, { origin }), 'content-type': 'application/json' };
    const asked = await fetch(`${address}/api/quote`, { method: 'POST', headers, body: JSON.stringify(cart) });
    expect(asked.status).toBe(200);
    expect(asked.headers.get('access-control-allow-origin')).toBe(origin);
    expect(asked.headers.get('vary')).toContain('Origin');
    expect((await asks('GET', '/api/current', by(token, { origin }))).status).toBe(200);
    for (const other of ['https://evil.example.com', 'http://shop.example.com', `${origin}:444`, 'null']) {
      const refused = await asks('GET', '/api/current', by(token, { origin: other }));
      expect([refused.status, refused.headers.get('access-control-allow-origin')]).toEqual([403, null]);
    }
    expect((await quote(by(token))).status).toBe(403);
    expect((await call(address, 'GET', '/api/orders', { headers: by(token, { origin }) })).status).toBe(403);
    expect(
      (await call(address, 'POST', '/api/orders', { body: { orders: [] }, headers: by(token, { origin }) })).status,
    ).toBe(403);
  });
  test('has nothing signed or reserved: anybody may have written what a page says', async () => {
    const { token } = await make('publishable', [origin]);
    for (const [more, pointer] of [
      [{ sign: { minutes: 5 } }, '/sign'],
      [{ reserve: { minutes: 5 }, shopperKey: 'x' }, '/reserve'],
    ] as const)
      for (const [path, body] of [
        ['/api/quote', { ...cart, ...more }],
        ['/api/quotes', { carts: [{ ...cart, ...more }] }],
      ] as const) {
        const refused = await call<ProblemBody>(address, 'POST', path, { body, headers: by(token, { origin }) });
        expect([refused.status, refused.body.fields!.map((field) => field.pointer)]).toEqual([422, [pointer]]);
      }
  });
  test('a browser that asks ahead is told what a listed origin may do, and nobody else', async () => {
    const { key } = await make('publishable', [origin]);
    const ahead = (from: string, path = '/api/quote', method = 'POST') =>
      asks('OPTIONS', path, {
        origin: from,
        'access-control-request-method': method,
        'access-control-request-headers': 'authorization, content-type',
      });
    const allowed = await ahead(origin);
    expect(allowed.status).toBe(204);
    const { headers } = allowed;
    expect(headers.get('access-control-allow-origin')).toBe(origin);
    expect(headers.get('access-control-allow-methods')?.split(', ').sort()).toEqual(['GET', 'POST']);
    expect(headers.get('access-control-allow-headers')).toContain('authorization');
    for (const refused of [
      await ahead('https://evil.example.com'),
      await ahead(origin, '/api/orders'),
      await ahead(origin, '/api/draft', 'PATCH'),
    ])
      expect(refused.headers.get('access-control-allow-origin')).toBeNull();
    const moved = { name: 'Moved', origins: ['https://other.example.com'] };
    expect((await call(address, 'PUT', `/api/keys/${key.id}`, { body: moved })).body).toMatchObject(moved);
    expect((await ahead('https://other.example.com')).status).toBe(204);
    expect((await call(address, 'PUT', `/api/keys/${key.id}`, { body: { ...moved, origins: [] } })).status).toBe(422);
    await revoke(key.id);
    expect((await ahead('https://other.example.com')).status).toBe(403);
  });
  test('needs an origin that is one', async () => {
    const made = (origins: unknown) =>
      call(address, 'POST', '/api/keys', { body: { name: 'A page', kind: 'publishable', origins } });
    for (const wrong of [[], ['shop.example.com'], [`${origin}/`], ['https://*'], [origin, origin], ['null']])
      expect((await made(wrong)).status).toBe(422);
  });
  test('calls so often a minute, and is then told when to call again', async () => {
    const { token } = await make('publishable', [origin]);
    const statuses = new Map<number, number>();
    let retry: string | null = null;
    for (let burst = 0; burst < 13; burst++)
      for (const answer of await Promise.all(
        Array.from({ length: 50 }, () => asks('GET', '/api/current', by(token, { origin }))),
      )) {
        statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
        if (answer.status === 429) retry = answer.headers.get('retry-after');
        await answer.arrayBuffer();
      }
    expect(statuses.get(200)).toBe(600);
    expect(statuses.get(429)).toBe(50);
    expect(Number(retry)).toBeGreaterThan(0);
    expect(Number(retry)).toBeLessThanOrEqual(60);
  });
});

test('another secret signs from when it is made; what was signed before still holds', async () => {
  const signed = async () =>
    (await call<Quote>(address, 'POST', '/api/quote', { body: { ...cart, sign: { minutes: 5 } } })).body;
  const verify = async (body: Quote) =>
    (await call<{ holds: boolean }>(address, 'POST', '/api/quotes/verify', { body: { quote: body } })).body.holds;
  const before = await signed();
  const { status, body: made } = await call<MadeSecret>(address, 'POST', '/api/signing-secrets');
  expect(status).toBe(201);
  const after = await signed();
  expect(after.signed!.key).toBe(made.id);
  const { signature, ...rest } = after.signed!;
  expect(
    createHmac('sha256', Buffer.from(made.secret, 'hex'))
      .update(canonicalize({ ...after, signed: rest })!)
      .digest('base64url'),
  ).toBe(signature);
  expect([await verify(before), await verify(after)]).toEqual([true, true]);
  const { body } = await call<{ secrets: ListedSecret[] }>(address, 'GET', '/api/signing-secrets');
  expect(body.secrets[0]).toMatchObject({ id: made.id, retiredAt: null });
  expect(body.secrets.find(({ id }) => id === before.signed!.key)!.retiredAt).not.toBeNull();
  expect(JSON.stringify(body)).not.toContain(made.secret);
});

test('whoever tries keys is stopped', async () => {
  const statuses: number[] = [];
  for (let attempt = 0; attempt < 40; attempt++) statuses.push((await quote(by(`aaaaaaaaaaaa.${attempt}`))).status);
  expect(statuses.slice(0, 5)).toEqual([401, 401, 401, 401, 401]);
  expect(statuses.at(-1)).toBe(429);
  // A key that is one goes on.
  const { token } = await make('secret');
  expect((await quote(by(token))).status).toBe(200);
});
