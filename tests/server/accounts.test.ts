import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import type { AccountLink, OwnAccount, People } from '../../src/contract/shapes/account.ts';
import { call, setGoal, type DraftBody, type ProblemBody } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { cookieOf, firstLinkOf, inviteBy, joinBy, password } from '../support/people.ts';

let application: Application;
let address: string;
let database: Connection;
/** the session of whoever owns the store */
let own: string;
let first: string;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_accounts');
  // Whoever asks is whom a proxy says, so that tries are counted apart.
  application = await startApplication({
    DATABASE_URL: url,
    SUMMANT_TRUSTED_PROXIES: '127.0.0.1',
    SUMMANT_LOG: 'silent',
  });
  address = application.address;
  database = await mysql.createConnection({ uri: url, timezone: 'Z' });
  first = await firstLinkOf(application.said);
  own = await joinBy(address, first, 'ida@example.com', 'Ida');
});
afterAll(async () => {
  await database.end();
  await application.stop();
});

test('behind a proxy that is trusted and has TLS, browsers are told to come by no other way', async () => {
  const strict = async (headers: Record<string, string>) =>
    (await fetch(`${address}/sign-in`, { headers })).headers.get('strict-transport-security');
  expect(await strict({ 'x-forwarded-proto': 'https' })).toBe('max-age=31536000');
  expect(await strict({ 'x-forwarded-proto': 'http' })).toBeNull();
  expect(await strict({})).toBeNull();
});

test('pages that somebody who is signed in has seen are not kept by browsers', async () => {
  const { headers } = await fetch(`${address}/offers`, { headers: { cookie: own } });
  expect(headers.get('cache-control')).toBe('no-store');
});

let addresses = 0;
/** An address from which nobody has tried anything yet. */
const elsewhere = () => {
  const nth = ++addresses;
  return { 'x-forwarded-for': `10.1.${nth >> 8}.${nth & 255}` };
};
const post = (path: string, body: object, headers: Record<string, string> = elsewhere()) =>
  fetch(address + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
  });
const signIn = (as: string, with_: string, headers?: Record<string, string>) =>
  post('/api/sign-in', { signIn: as, password: with_ }, headers);
const problemOf = async (response: Response) => (await response.json()) as ProblemBody;
const accountOf = async (cookie: string) => call<OwnAccount>(address, 'GET', '/api/account', { headers: { cookie } });
const people = async () => (await call<People>(address, 'GET', '/api/people', { headers: { cookie: own } })).body;
/** Somebody new. */
const invited = async (name: string, role: 'look' | 'edit' | 'release' | 'own' = 'edit') =>
  joinBy(address, await inviteBy(address, own, role, name), `${name}@example.com`, name);

describe('a link', () => {
  test('makes an account once, and says before what it is for', async () => {
    const path = await inviteBy(address, own, 'release', 'Tove');
    const look = await post('/api/links/look', { token: path.split('#')[1] });
    expect((await look.json()) as AccountLink).toMatchObject({
      kind: 'invitation',
      name: 'Tove',
      role: 'release',
      limited: false,
      madeBy: 'Ida',
    });
    const cookie = await joinBy(address, path, 'tove@example.com', 'Tove');
    expect((await accountOf(cookie)).body).toMatchObject({ name: 'Tove', role: 'release', codesLeft: 8 });
    await expect(joinBy(address, path, 'other@example.com')).rejects.toThrow('good no more');
  });

  test('to the first account is good no more once there is one, and a start makes no other', async () => {
    const response = await post('/api/links/look', { token: first.split('#')[1] });
    expect(response.status).toBe(404);
  });

  test('is kept when what it was to make is refused', async () => {
    const path = await inviteBy(address, own, 'look');
    await expect(joinBy(address, path, ' IDA@example.com')).rejects.toThrow('Somebody else signs in with this');
    expect(await joinBy(address, path, 'look@example.com')).toContain('session');
  });

  test('that is over, or was taken back, is none', async () => {
    const [over, back] = [await inviteBy(address, own, 'look'), await inviteBy(address, own, 'look')];
    const { invitations } = await people();
    await call(address, 'DELETE', `/api/people/invitations/${invitations[0]!.id}`, { headers: { cookie: own } });
    await expect(joinBy(address, back, 'back@example.com')).rejects.toThrow('good no more');
    await database.query("UPDATE account_link SET ends_at = '2026-01-01' WHERE id = ?", [invitations[1]!.id]);
    await expect(joinBy(address, over, 'over@example.com')).rejects.toThrow('good no more');
  });

  test('used by two at once makes one account', async () => {
    const path = await inviteBy(address, own, 'look');
    const both = await Promise.allSettled(['a', 'b'].map((name) => joinBy(address, path, `${name}@example.com`)));
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
  });
});

describe('signing in', () => {
  test('gives a session that only this host’s pages over a safe line get, and that no script reads', async () => {
    const response = await signIn('ida@example.com', password);
    expect(response.status).toBe(200);
    expect(response.headers.get('set-cookie')).toMatch(
      /^__Host-summant-session=[A-Za-z0-9_-]{43}; Max-Age=2592000; Path=\/; Secure; HttpOnly; SameSite=Lax$/,
    );
  });

  test('says nothing of whether there is an account', async () => {
    const [known, unknown] = await Promise.all([
      signIn('ida@example.com', 'wrong'),
      signIn('nobody@example.com', 'wrong'),
    ]);
    expect([known.status, unknown.status]).toEqual([401, 401]);
    expect(await problemOf(known)).toEqual(await problemOf(unknown));
    const codes = await Promise.all(
      ['ida@example.com', 'nobody@example.com'].map((as) =>
        post('/api/sign-in/recovery', { signIn: as, code: 'aaaa-aaaa-aaaa-aaaa', password }),
      ),
    );
    expect(codes.map(({ status }) => status)).toEqual([401, 401]);
    expect(await problemOf(codes[0]!)).toEqual(await problemOf(codes[1]!));
  });

  test('renews the session that the browser had', async () => {
    const before = cookieOf(await signIn('ida@example.com', password))!;
    const after = cookieOf(await signIn('ida@example.com', password, { ...elsewhere(), cookie: before }))!;
    expect(after).not.toBe(before);
    expect([(await accountOf(before)).status, (await accountOf(after)).status]).toEqual([401, 200]);
  });

  test('is not taken over a line that others read', async () => {
    const name = new URL(address).host;
    const response = await signIn('ida@example.com', password, {
      ...elsewhere(),
      origin: `http://summant.example.com`,
    });
    expect(response.status).toBe(403);
    expect((await signIn('ida@example.com', password, { ...elsewhere(), origin: `http://${name}` })).status).toBe(200);
  });

  test('is shut after five wrong tries, to that address and account alone, the right password included', async () => {
    await invited('Mads');
    const from = elsewhere();
    for (let tries = 0; tries < 5; tries++) expect((await signIn('mads@example.com', 'wrong', from)).status).toBe(401);
    const over = await signIn('MADS@example.com', password, from);
    expect([over.status, Number(over.headers.get('retry-after')) > 60]).toEqual([429, true]);
    expect((await signIn('ida@example.com', password, from)).status).toBe(200);
    expect((await signIn('mads@example.com', password)).status).toBe(200);
    // What is no account is shut likewise.
    const nobody = elsewhere();
    for (let tries = 0; tries < 5; tries++) await signIn('no.account@example.com', 'wrong', nobody);
    expect((await signIn('no.account@example.com', 'wrong', nobody)).status).toBe(429);
  });

  test('many tries at once are not looked at all at once', async () => {
    const from = elsewhere();
    const all = await Promise.all(
      Array.from({ length: 60 }, (_, i) => signIn(`guess-${i}@example.com`, 'wrong', from)),
    );
    const statuses = all.map(({ status }) => status);
    expect(new Set(statuses)).toEqual(new Set([401, 429]));
    expect(statuses.filter((status) => status === 401).length).toBeLessThanOrEqual(30);
  });
});

test('while passwords are tried from everywhere, whoever is signed in somewhere signs in again from there', async () => {
  const office = elsewhere();
  expect((await signIn('ida@example.com', password, office)).status).toBe(200);
  let over = false;
  const tried = { looked: 0, away: 0 };
  let away: Response | null = null;
  const flood = Array.from({ length: 30 }, async () => {
    while (!over) {
      const answer = await signIn(`guess-${addresses}@example.com`, 'wrong');
      if (answer.status === 401) tried.looked++;
      else {
        tried.away++;
        away ??= answer.clone();
      }
      await answer.arrayBuffer();
    }
  });
  try {
    await expect.poll(() => tried.away).toBeGreaterThan(30);
    // Another process may have signed somebody in: it is known within seconds.
    await expect.poll(async () => (await signIn('ida@example.com', password, office)).status).toBe(200);
    for (let times = 0; times < 3; times++)
      expect((await signIn('ida@example.com', password, office)).status).toBe(200);
  } finally {
    over = true;
    await Promise.all(flood);
  }
  expect(tried.looked).toBeLessThan(tried.away);
  // It says what every refusal says, though it was turned away before it was read.
  expect(await problemOf(away!)).toEqual({
    type: 'about:blank',
    status: 429,
    title: 'Too many tries',
    detail: 'Nothing was changed. Try again in 1 minute.',
  });
  expect(Object.fromEntries(away!.headers)).toMatchObject({
    'content-type': 'application/problem+json',
    'content-security-policy': expect.stringContaining("default-src 'none'") as string,
    'cache-control': 'no-store',
    'retry-after': '1',
    'x-content-type-options': 'nosniff',
    'x-request-id': expect.stringMatching(/./) as string,
  });
});

describe('a session', () => {
  test('ends by signing out', async () => {
    const cookie = await invited('Nora');
    const out = await post('/api/sign-out', {}, { cookie });
    expect([out.status, out.headers.get('set-cookie')?.includes('Max-Age=0')]).toEqual([200, true]);
    expect((await accountOf(cookie)).status).toBe(401);
  });

  test('is ended from another one, alone or with all others', async () => {
    const one = await invited('Odd');
    const [two, three] = await Promise.all([signIn('odd@example.com', password), signIn('odd@example.com', password)]);
    const others = [two, three].map((response) => cookieOf(response)!);
    const { sessions } = (await accountOf(one)).body;
    expect(sessions.filter(({ here }) => here)).toHaveLength(1);
    expect(sessions).toHaveLength(3);
    const another = (await accountOf(others[0]!)).body.sessions.find(({ here }) => here)!;
    await call(address, 'DELETE', `/api/account/sessions/${another.id}`, { headers: { cookie: one } });
    expect((await accountOf(others[0]!)).status).toBe(401);
    await call(address, 'DELETE', '/api/account/sessions', { headers: { cookie: one } });
    expect([(await accountOf(others[1]!)).status, (await accountOf(one)).status]).toEqual([401, 200]);
  });

  test('of somebody else cannot be ended', async () => {
    const one = await invited('Per');
    const { sessions } = (await accountOf(own)).body;
    await call(address, 'DELETE', `/api/account/sessions/${sessions[0]!.id}`, { headers: { cookie: one } });
    expect((await accountOf(own)).status).toBe(200);
  });

  test.each([
    ['made_at', '2026-01-01'],
    ['used_at', '2026-01-01'],
  ])('is over by its %s', async (column, moment) => {
    const cookie = await invited(`Old-${column}`);
    await database.query(
      'UPDATE account_session SET ?? = ? WHERE account_id = (SELECT id FROM account WHERE name = ?)',
      [column, moment, `Old-${column}`],
    );
    expect((await accountOf(cookie)).status).toBe(401);
  });

  test('that was guessed, shortened or written otherwise is none', async () => {
    for (const value of ['', 'x', 'a'.repeat(43), own.split('=')[1]!.slice(1), `${own.split('=')[1]}=`, '%00'])
      expect((await accountOf(`__Host-summant-session=${value}`)).status).toBe(401);
    expect((await accountOf(own.replace('__Host-', ''))).status).toBe(401);
  });

  test('is nothing to another site', async () => {
    const draft = await readDraftAs(own);
    const response = await fetch(`${address}/api/draft`, {
      method: 'PATCH',
      headers: {
        cookie: own,
        origin: 'https://elsewhere.example.com',
        'if-match': `"draft-${draft.revision}"`,
        'content-type': 'application/json-patch+json',
      },
      body: JSON.stringify(setGoal('nlbe', 1234)),
    });
    expect(response.status).toBe(403);
    for (const path of ['/api/sign-in', '/api/sign-out', '/api/people/invitations'])
      expect((await post(path, {}, { cookie: own, 'sec-fetch-site': 'cross-site' })).status, path).toBe(403);
    expect((await readDraftAs(own)).revision).toBe(draft.revision);
  });
});

const readDraftAs = async (cookie: string) =>
  (await call<DraftBody>(address, 'GET', '/api/draft', { headers: { cookie } })).body;

describe('one’s own account', () => {
  test('takes another password, which ends every other session and renews this one', async () => {
    const one = await invited('Rikke');
    const other = cookieOf(await signIn('rikke@example.com', password))!;
    const next = 'seven gulls above pier';
    const change = (from: string, to: string, cookie: string) =>
      fetch(`${address}/api/account/password`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', cookie, ...elsewhere() },
        body: JSON.stringify({ password: from, next: to }),
      });
    expect((await change('wrong', next, one)).status).toBe(409);
    expect((await problemOf(await change(password, 'Password2026!', one))).fields).toMatchObject([
      { pointer: '/next' },
    ]);
    const done = await change(password, next, one);
    const renewed = cookieOf(done)!;
    expect(((await done.json()) as OwnAccount).sessions.map(({ here }) => here)).toEqual([true]);
    expect([(await accountOf(one)).status, (await accountOf(other)).status]).toEqual([401, 401]);
    expect((await accountOf(renewed)).status).toBe(200);
    expect((await signIn('rikke@example.com', password)).status).toBe(401);
    expect((await signIn('rikke@example.com', next)).status).toBe(200);
  });

  test('is found again by a code, once each, however it is typed', async () => {
    const path = await inviteBy(address, own, 'edit');
    const joined = await post('/api/links/use', {
      token: path.split('#')[1],
      name: 'Signe',
      signIn: 'signe@example.com',
      password,
    });
    const { codes } = (await joined.json()) as { codes: string[] };
    const before = cookieOf(joined)!;
    expect(new Set(codes).size).toBe(8);
    const next = 'seven gulls above pier';
    const recover = (code: string) =>
      post('/api/sign-in/recovery', { signIn: 'signe@example.com', code, password: next });
    const found = await recover(` ${codes[0]!.toUpperCase().replaceAll('-', ' ')}`);
    expect(found.status).toBe(200);
    expect((await accountOf(cookieOf(found)!)).body.codesLeft).toBe(7);
    expect((await accountOf(before)).status).toBe(401);
    expect((await recover(codes[0]!)).status).toBe(401);
    expect((await signIn('signe@example.com', next)).status).toBe(200);
    // New codes take the place of those that were left.
    const cookie = cookieOf(found)!;
    const made = await post('/api/account/recovery-codes', { password: next }, { cookie, ...elsewhere() });
    expect(made.status).toBe(201);
    expect((await recover(codes[1]!)).status).toBe(401);
  });

  test('keeps neither passwords nor sessions, codes or links as they are', async () => {
    const kept: string[] = [];
    for (const table of ['account', 'account_session', 'recovery_code', 'account_link']) {
      const [rows] = await database.query<RowDataPacket[]>(`SELECT * FROM ${table}`);
      kept.push(JSON.stringify(rows), ...rows.flatMap((row) => Object.values(row).map(String)));
    }
    expect(kept.join()).not.toContain(password);
    expect(kept.join()).not.toContain(own.split('=')[1]);
    expect(kept.join()).toContain('$argon2id$v=19$m=19456,t=2,p=1$');
  });
});

describe('people', () => {
  test('that are none are not found, whatever an address says', async () => {
    for (const id of ['none', 'aaaaaaaaaaaa', '%C3%A9', '%E6%97%A5%E6%9C%AC', '%00', 'é'.repeat(12)]) {
      for (const [method, path] of [
        ['DELETE', id],
        ['POST', `${id}/way-back`],
      ])
        expect((await call(address, method!, `/api/people/${path}`, { headers: { cookie: own } })).status).toBe(404);
      for (const path of [`people/invitations/${id}`, `account/sessions/${id}`])
        expect((await call(address, 'DELETE', `/api/${path}`, { headers: { cookie: own } })).status).toBe(200);
    }
  });

  test('are let do more or less from their next request on', async () => {
    const cookie = await invited('Troels', 'look');
    const { id } = (await people()).people.find(({ name }) => name === 'Troels')!;
    const undo = () =>
      fetch(`${address}/api/draft/undo`, { method: 'POST', headers: { cookie, 'if-match': '"draft-999"' } });
    const refused = await undo();
    expect([refused.status, (await problemOf(refused)).detail]).toEqual([
      403,
      'Nothing was changed. This takes somebody who may edit. You may look; whoever owns the store can let you do more.',
    ]);
    await call(address, 'PUT', `/api/people/${id}`, {
      headers: { cookie: own },
      body: { role: 'edit', markets: null },
    });
    expect((await undo()).status).toBe(412);
    await call(address, 'DELETE', `/api/people/${id}`, { headers: { cookie: own } });
    expect((await accountOf(cookie)).status).toBe(401);
    expect((await signIn('troels@example.com', password)).status).toBe(401);
  });

  test('always have somebody who owns the store, also when two go at once', async () => {
    const self = (await people()).people.find((one) => one.self)!;
    const alone = await call<ProblemBody>(address, 'PUT', `/api/people/${self.id}`, {
      headers: { cookie: own },
      body: { role: 'edit', markets: null },
    });
    expect(alone.status).toBe(409);
    const other = await invited('Ulla', 'own');
    const ulla = (await people()).people.find(({ name }) => name === 'Ulla')!;
    const both = await Promise.all([
      call(address, 'PUT', `/api/people/${ulla.id}`, {
        headers: { cookie: own },
        body: { role: 'edit', markets: null },
      }),
      call(address, 'PUT', `/api/people/${self.id}`, {
        headers: { cookie: other },
        body: { role: 'edit', markets: null },
      }),
    ]);
    expect(both.map(({ status }) => status).filter((status) => status === 200)).toHaveLength(1);
    const [owners] = await database.query<RowDataPacket[]>("SELECT id FROM account WHERE role = 'own'");
    expect(owners).toHaveLength(1);
    if (owners[0]!.id !== self.id) await database.query("UPDATE account SET role = 'own' WHERE id = ?", [self.id]);
  });

  test('get a way back from whoever owns the store, which ends their sessions', async () => {
    const cookie = await invited('Vera');
    const vera = (await people()).people.find(({ name }) => name === 'Vera')!;
    const way = () =>
      call<{ path: string }>(address, 'POST', `/api/people/${vera.id}/way-back`, { headers: { cookie: own } });
    const [before, after] = [(await way()).body.path, (await way()).body.path];
    await expect(joinBy(address, before, 'ignored')).rejects.toThrow('good no more');
    const renewed = await joinBy(address, after, 'ignored');
    expect([(await accountOf(cookie)).status, (await accountOf(renewed)).body.signIn]).toEqual([
      401,
      'Vera@example.com',
    ]);
    const self = (await people()).people.find((one) => one.self)!;
    expect((await call(address, 'POST', `/api/people/${self.id}/way-back`, { headers: { cookie: own } })).status).toBe(
      409,
    );
  });

  test('stand in the history of what they did', async () => {
    const cookie = await invited('Yrsa');
    const { revision } = await readDraftAs(cookie);
    await call(address, 'PATCH', '/api/draft', {
      headers: { cookie, 'if-match': `"draft-${revision}"`, 'content-type': 'application/json-patch+json' },
      body: setGoal('nlbe', 7600),
    });
    const [[edit]] = await database.query<RowDataPacket[]>(
      'SELECT made_by FROM draft_edit ORDER BY revision DESC LIMIT 1',
    );
    expect(edit!.made_by).toBe('Yrsa');
  });
});
