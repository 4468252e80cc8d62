import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { calls } from '../../src/contract/calls.ts';
import type { CallShape } from '../../src/contract/call.ts';
import { may, roles, type Role } from '../../src/core/people/roles.ts';
import { pageNeeds } from '../../src/server/accounts/page-needs.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { firstLinkOf, inviteBy, joinBy } from '../support/people.ts';

let application: Application;
/** Roles, and those of people who are limited to one market. */
const askers = [...roles, 'edit in one market', 'release in one market'] as const;
type Asker = (typeof askers)[number];
const roleOf = (asker: Asker): Role => asker.split(' ')[0] as Role;
const isLimited = (asker: Asker): boolean => asker.includes(' ');
const cookies = new Map<Asker, string>();
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_who_may_what');
  application = await startApplication({ DATABASE_URL: url, SUMMANT_LOG: 'silent' });
  const { address, said } = application;
  const first = await firstLinkOf(said);
  // Before anybody has an account only this machine is served, and a proxy is no part of it.
  const statuses = await Promise.all(
    [{}, { 'x-forwarded-for': '192.0.2.7' }].map(
      async (headers) => (await fetch(`${address}/api/draft`, { headers })).status,
    ),
  );
  expect(statuses).toEqual([200, 401]);
  cookies.set('own', await joinBy(address, first, 'own@example.com'));
  for (const asker of askers) {
    if (asker === 'own') continue;
    const markets = isLimited(asker) ? ['uk'] : null;
    const path = await inviteBy(address, cookies.get('own')!, roleOf(asker), asker, markets);
    cookies.set(asker, await joinBy(address, path, `${asker.replaceAll(' ', '-')}@example.com`));
  }
});
afterAll(async () => {
  await application.stop();
});

const everybody = [null, ...askers] as const;
const said = (asker: Asker | null, { needs, limited }: Pick<CallShape, 'needs' | 'limited'>) => {
  if (asker === null) return may(null, needs) ? 'may' : 'sign in';
  const changes = needs === 'edit' || needs === 'release';
  return may(roleOf(asker), needs) && !(isLimited(asker) && changes && !limited) ? 'may' : 'may not';
};
const expected = (call: Pick<CallShape, 'needs' | 'limited'>) => everybody.map((asker) => said(asker, call));

/** Nothing that is asked here is complete, so that whoever may do it does nothing. */
const asked = (address: string, name: string, role: Asker | null) => {
  const [method, path] = name.split(' ') as [string, string];
  const headers = new Headers({ 'content-type': 'application/json' });
  if (role !== null) headers.set('cookie', cookies.get(role)!);
  return fetch(address + path.replaceAll(/\{\w+\}/g, 'none'), {
    method,
    headers,
    redirect: 'manual',
    ...(method === 'GET' ? {} : { body: '{' }),
  });
};

/** News do not end by themselves. */
const ended = (response: Response): Promise<unknown> =>
  response.headers.get('content-type') === 'text/event-stream' ? response.body!.cancel() : response.arrayBuffer();

/** Calls that need no body, and so would do something. */
const withoutBody = new Set([
  'POST /api/demo',
  'POST /api/signing-secrets',
  'POST /api/rates/fetch',
  'DELETE /api/releases/asked',
]);

/** Would end the sessions that the others are asked with; tried in accounts.test.ts. */
const signingOut = 'POST /api/sign-out';

const rows = Object.entries<CallShape>(calls).filter(([name]) => !withoutBody.has(name) && name !== signingOut);

test(`${rows.length} calls × every role: each may what the contract says, and nothing else`, async () => {
  const { address } = application;
  const wrong: string[] = [];
  for (const [name, shape] of rows) {
    const { needs, shop } = shape;
    const found = [];
    for (const role of everybody) {
      const response = await asked(address, name, role);
      await ended(response);
      const title = response.headers.get('www-authenticate');
      if (response.status === 401 && title !== null) found.push(needs === 'anyone' ? 'may' : 'sign in');
      else found.push(response.status === 403 ? 'may not' : 'may');
      if (response.status === 401 && needs !== 'anyone')
        expect(title, name).toBe(shop ? 'Bearer realm="Summant"' : 'Session realm="Summant"');
    }
    if (found.join() !== expected(shape).join()) wrong.push(`${name} (${needs}): ${found.join(', ')}`);
  }
  expect(wrong).toEqual([]);
});

test('calls that do something without a body are refused to whoever may not', async () => {
  const { address } = application;
  const shapes = calls as Record<string, CallShape>;
  for (const name of withoutBody) {
    const refused = everybody.filter((asker) => said(asker, shapes[name]!) !== 'may');
    expect(refused.length).toBeGreaterThan(0);
    for (const role of refused)
      expect((await asked(address, name, role)).status, `${name} ${role}`).toBe(role === null ? 401 : 403);
  }
});

test('every page × every role: who is not known is led to sign in, and who may not is told why', async () => {
  const { address } = application;
  const wrong: string[] = [];
  for (const [route, need] of Object.entries(pageNeeds)) {
    const path = route.replaceAll(/\[[^\]]+\]/g, 'none');
    const found = [];
    for (const role of everybody) {
      const response = await asked(address, `GET ${path}`, role);
      const to = response.headers.get('location') ?? '';
      await response.arrayBuffer();
      if (response.status === 303 && to.startsWith('/sign-in?next=')) found.push('sign in');
      else found.push(response.status === 403 ? 'may not' : 'may');
    }
    if (found.join() !== expected({ needs: need }).join()) wrong.push(`${route} (${need}): ${found.join(', ')}`);
  }
  expect(wrong).toEqual([]);
});

test('an address is asked for the same however it is spelled', async () => {
  const { address } = application;
  for (const path of [
    '/api/draft/',
    '/api/%64raft',
    '/%61pi/draft',
    '//api/draft',
    '/api//draft',
    '/api/./draft',
    '/OFFERS',
    '/%6fffers',
    '/offers/',
  ]) {
    const response = await fetch(address + path, { redirect: 'manual' });
    await response.arrayBuffer();
    expect([303, 401, 404], path).toContain(response.status);
  }
});

test('what nobody is asked for shows nothing of the store', async () => {
  const { address } = application;
  for (const path of ['/sign-in', '/join', '/healthz', '/readyz', '/no-such-page'])
    expect(await (await fetch(address + path)).text(), path).not.toContain('Gustmoor');
});
