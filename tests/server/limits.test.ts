import { once } from 'node:events';
import { createServer } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { limitEach } from '../../scripts/setup/serve.mjs';
import { guessMapping } from '../../src/core/imports/mapping.ts';
import type { Audit } from '../../src/contract/shapes/audit.ts';
import { call, type ProblemBody } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { firstLinkOf, inviteBy, joinBy } from '../support/people.ts';

let application: Application;
let address: string;
/** the session of whoever owns the store */
let own: string;
const [ofPerson, ofAddress] = [60, 25];
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_limits');
  application = await startApplication({
    DATABASE_URL: url,
    SUMMANT_TRUSTED_PROXIES: '127.0.0.1',
    SUMMANT_RATE_PERSON: String(ofPerson),
    SUMMANT_RATE_ADDRESS: String(ofAddress),
    SUMMANT_LOG: 'silent',
  });
  address = application.address;
  own = await joinBy(address, await firstLinkOf(application.said), 'ida@example.com', 'Ida');
});
afterAll(async () => {
  await application.stop();
});

const invited = async (name: string, role: 'look' | 'edit' = 'edit') =>
  joinBy(address, await inviteBy(address, own, role, name), `${name}@example.com`, name);
const statuses = async (times: number, ask: () => Promise<Response>) => {
  const found: number[] = [];
  for (let i = 0; i < times; i++) found.push((await ask()).status);
  return found;
};

test('of one person so many calls a minute are taken, from wherever; others go on', async () => {
  const [one, other] = [await invited('One'), await invited('Other')];
  let from = 0;
  const ask = (cookie: string) =>
    fetch(`${address}/api/choices`, { headers: { cookie, 'x-forwarded-for': `192.0.2.${++from % 200}` } });
  const found = await statuses(ofPerson + 5, () => ask(one));
  expect(found.slice(0, ofPerson - 5).every((status) => status === 200)).toBe(true);
  expect(found.at(-1)).toBe(429);
  const refused = await ask(one);
  expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0);
  expect(((await refused.json()) as ProblemBody).title).toBe('Too many calls');
  expect((await ask(other)).status).toBe(200);
});

test('of one address so many of whoever is not signed in, pages too; others go on', async () => {
  const ask = (from: string) => fetch(`${address}/api/draft`, { headers: { 'x-forwarded-for': from } });
  const found = await statuses(ofAddress + 2, () => ask('198.51.100.7'));
  expect(found.slice(0, ofAddress)).toEqual(Array.from({ length: ofAddress }, () => 401));
  expect(found.slice(ofAddress)).toEqual([429, 429]);
  const page = await fetch(`${address}/sign-in`, { headers: { 'x-forwarded-for': '198.51.100.7' } });
  expect(page.status).toBe(429);
  expect((await ask('198.51.100.8')).status).toBe(401);
});

test('what somebody is refused stands in the audit, once for a while', async () => {
  const cookie = await invited('Lars', 'look');
  for (let i = 0; i < 3; i++) {
    await call(address, 'POST', '/api/draft/undo', { headers: { cookie, 'if-match': '"draft-1"' } });
    expect((await fetch(`${address}/people`, { headers: { cookie } })).status).toBe(403);
  }
  const { body } = await call<Audit>(address, 'GET', '/api/audit?kind=refused', { headers: { cookie: own } });
  expect(body.entries.map(({ person, what }) => `${person}: ${what}`)).toEqual([
    'Lars: Was refused: The page /people',
    'Lars: Was refused: Takes one’s own newest edit back; where there is none left, the newest of the others',
  ]);
});

test('of one person so many lines are listened on, and one that is closed makes room', async () => {
  const cookie = await invited('Ear');
  // The answers are kept with their lines: one that nobody holds is collected, and its line closed with it.
  const lines: { line: AbortController; response: Response }[] = [];
  const listen = async () => {
    const line = new AbortController();
    const response = await fetch(`${address}/api/news`, { headers: { cookie }, signal: line.signal });
    if (response.ok) lines.push({ line, response });
    else await response.text();
    return response.status;
  };
  try {
    for (let i = 0; i < 20; i++) expect(await listen()).toBe(200);
    expect(await listen()).toBe(429);
    lines.pop()!.line.abort();
    await expect.poll(listen, { interval: 500 }).toBe(200);
  } finally {
    for (const { line } of lines) line.abort();
  }
});

test('one person leaves no more than ten files open', async () => {
  const cookie = await invited('Tor');
  const file = new TextEncoder().encode('order;placed at;country;value\nA-1;2026-11-02 10:00;NL;20,00\n');
  const { mapping, sample } = guessMapping('orders', file, true);
  const begin = () =>
    call<ProblemBody>(address, 'POST', '/api/imports', {
      headers: { cookie },
      body: { fileName: 'orders.csv', fileBytes: file.length, heading: sample.heading, mapping },
    });
  for (let i = 0; i < 10; i++) expect((await begin()).status).toBe(201);
  const refused = await begin();
  expect([refused.status, refused.body.title]).toEqual([409, 'You have too many imports open']);
});

test('of one address only so many connections are kept open, and one that is closed makes room', async () => {
  const server = createServer((_, response) => response.end('here'));
  limitEach(server, () => false, 2);
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  const open: Socket[] = [];
  /** Whether a connection is answered on. */
  const answers = async () => {
    const socket = connect(port, '127.0.0.1');
    socket.on('error', () => {});
    socket.write('GET / HTTP/1.1\r\nhost: here\r\n\r\n');
    const answered = await new Promise<boolean>((resolve) => {
      socket.once('data', () => resolve(true)).once('close', () => resolve(false));
    });
    if (answered) open.push(socket);
    return answered;
  };
  expect([await answers(), await answers(), await answers()]).toEqual([true, true, false]);
  open.pop()!.destroy();
  await expect.poll(answers).toBe(true);
  for (const socket of open) socket.destroy();
  server.close();
});
