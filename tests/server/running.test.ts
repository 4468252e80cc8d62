import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import type { Health } from '../../src/contract/shapes/health.ts';
import { call, patchDraft, readDraft, setGoal } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';

let application: Application;
let address: string;
let metricsAt: string;
let url: string;
beforeAll(async () => {
  url = await freshDatabase(inject('databaseServerUrl'), 'summant_running');
  application = await startApplication({
    // The second is the one that answers.
    DATABASE_URL: url.replace(/@(127\.0\.0\.1:\d+)/, '@127.0.0.1:1,$1'),
    SUMMANT_LOG: 'info',
    SUMMANT_METRICS: '0',
    SUMMANT_STAND_INS: 'off',
    SUMMANT_TRUSTED_PROXIES: '127.0.0.1',
  });
  address = application.address;
  metricsAt = /What the process counts: (\S+)/.exec(application.said())![1]!;
});
afterAll(async () => {
  await application.stop();
});

/** Value of a figure, as the text has it. */
async function figure(name: string): Promise<number> {
  const text = await (await fetch(metricsAt)).text();
  const line = text.split('\n').find((one) => one.startsWith(`${name}`) && !one.startsWith('#'));
  expect(line, name).toBeDefined();
  return Number(line!.slice(line!.lastIndexOf(' ')));
}

describe('what the process counts', () => {
  test('is served on a port of its own, and nowhere else', async () => {
    expect((await fetch(metricsAt)).headers.get('content-type')).toContain('text/plain');
    for (const path of ['/', '/api/draft', '/metrics/'])
      expect((await fetch(new URL(path, metricsAt))).status).toBe(404);
    expect((await fetch(metricsAt, { method: 'POST' })).status).toBe(404);
    expect((await fetch(`${address}/metrics`)).status).toBe(404);
  });
  test('follows what happens: calls by route, the release, the database', async () => {
    const calls = 'summant_http_requests_total{method="PATCH",route="/api/draft",status="200"';
    const { revision } = await readDraft(address);
    await patchDraft(address, revision, setGoal('uk', 5001));
    const before = await figure(calls);
    await patchDraft(address, revision + 1, setGoal('uk', 5002));
    expect(await figure(calls)).toBe(before + 1);
    expect(await figure('summant_http_request_seconds_count{route="/api/draft"')).toBeGreaterThan(1);
    expect(await figure('summant_database_up')).toBe(1);
    expect(await figure('summant_release')).toBe(5);
    expect(await figure('summant_database_connections{state="free"')).toBeGreaterThan(0);
    const text = await (await fetch(metricsAt)).text();
    const { port } = new URL(metricsAt);
    expect(text).toMatch(/summant_database_host\{host="127\.0\.0\.1:\d{4,5}"/);
    expect(text).not.toContain(`host="127.0.0.1:${port}"`);
    // An address that nobody knows makes no line of its own.
    await fetch(`${address}/no/such/${'x'.repeat(20)}`);
    expect(await (await fetch(metricsAt)).text()).not.toContain('xxxx');
  });
});

describe('the log', () => {
  const linesOf = (id: string) =>
    application
      .said()
      .split('\n')
      .filter((line) => line.startsWith('{'))
      .map((line) => JSON.parse(line) as Record<string, unknown>)
      .filter(({ request }) => request === id);
  test('is a line of JSON a request, with the name that the answer has too', async () => {
    const { headers } = await fetch(`${address}/api/draft?since=1`);
    const id = headers.get('x-request-id')!;
    expect(id).toMatch(/^[\w-]{36}$/);
    await expect.poll(() => linesOf(id).length).toBe(1);
    expect(linesOf(id)[0]).toMatchObject({ method: 'GET', route: '/api/draft', status: 200, msg: 'answered' });
  });
  test('takes the name from a trusted proxy, as long as it is one', async () => {
    const named = async (id: string) =>
      (await fetch(`${address}/healthz`, { headers: { 'x-request-id': id } })).headers.get('x-request-id');
    expect(await named('of-the-proxy-1')).toBe('of-the-proxy-1');
    for (const odd of ['x', 'a b c d e f g h', 'x'.repeat(65)]) expect(await named(odd)).toMatch(/^[\w-]{36}$/);
    await expect.poll(() => linesOf('of-the-proxy-1').length).toBe(1);
  });
});

test('whoever owns the store is told how what runs beside the requests is doing; anybody else, that it runs', async () => {
  expect((await call(address, 'GET', '/healthz')).body).toEqual({ status: 'ok' });
  const { body } = await call<Health>(address, 'GET', '/api/health');
  expect(body).toMatchObject({ release: 5, importsUnderWay: 0, standIns: false, outbox: { failing: 0, givenUp: 0 } });
  expect(body.databaseHost).not.toBe('127.0.0.1:1');
});

test('stand-ins are off unless they are asked for', async () => {
  for (const [method, path] of [
    ['GET', '/stand-ins/rate-feed.csv'],
    ['GET', '/stand-ins/carrier'],
    ['POST', '/stand-ins/receiver'],
    ['GET', '/stand-ins/pages/shop.html'],
    ['GET', '/stand%2dins/rate-feed.csv'],
    ['PUT', '/api/stand-ins/carrier'],
  ] as const) {
    const response = await fetch(address + path, { method, headers: { 'content-type': 'application/json' } });
    expect([path, response.status, await response.text()]).toEqual([
      path,
      404,
      expect.stringContaining('The stand-ins are off'),
    ]);
  }
  const quote = await call<{ carriersSilent?: string[] }>(address, 'POST', '/api/quote', {
    body: { lines: [{ product: 'tidewing-16', quantity: 1 }], destination: { country: 'CH', postcode: '8999' } },
  });
  expect(quote.status).toBe(200);
});

describe('a process that is ready', () => {
  test('has loaded what quotes need before anybody could ask', async () => {
    // Nobody else asks for it in this file.
    expect(await figure('summant_http_requests_total{method="GET",route="/readyz",status="200"')).toBe(1);
  });
  test('serves all else where the release cannot be read', async () => {
    const connection = await mysql.createConnection(url);
    await connection.query(`UPDATE policy_release SET document = '{"version": 1}' WHERE number = 5`);
    await connection.end();
    const other = await startApplication({ DATABASE_URL: url, SUMMANT_LOG: 'warn' });
    try {
      expect(other.said()).toContain('the release is not ready');
      expect((await fetch(`${other.address}/readyz`)).status).toBe(200);
      expect((await call(other.address, 'GET', '/api/draft')).status).toBe(200);
      const cart = {
        lines: [{ product: 'tidewing-16', quantity: 1 }],
        destination: { country: 'CH', postcode: '8999' },
      };
      expect((await call(other.address, 'POST', '/api/quote', { body: cart })).status).toBe(409);
    } finally {
      await other.stop();
    }
  });
});
