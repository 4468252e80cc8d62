import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, afterEach, beforeAll, describe, expect, inject, test } from 'vitest';
import type { CameBack, OwnAccount } from '../../src/contract/shapes/account.ts';
import type { Audit } from '../../src/contract/shapes/audit.ts';
import { call, type ProblemBody } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { cookieOf, firstLinkOf, inviteBy, joinBy, password } from '../support/people.ts';

let application: Application;
let address: string;
let database: Connection;
/** the session of whoever owns the store */
let own: string;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_provider');
  application = await startApplication({
    DATABASE_URL: url,
    SUMMANT_OIDC_ISSUER: 'stand-in',
    SUMMANT_TRUSTED_PROXIES: '127.0.0.1',
    SUMMANT_LOG: 'silent',
  });
  address = application.address;
  database = await mysql.createConnection({ uri: url, timezone: 'Z' });
  own = await joinBy(address, await firstLinkOf(application.said), 'ida@example.com', 'Ida');
});
afterAll(async () => {
  await database.end();
  await application.stop();
});
afterEach(() => behaves('works'));

let addresses = 0;
const elsewhere = () => ({ 'x-forwarded-for': `198.51.100.${++addresses}` });
const post = (path: string, body: object, headers: Record<string, string> = {}) =>
  fetch(address + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address, ...elsewhere(), ...headers },
    body: JSON.stringify(body),
  });
const behaves = async (mode: string) => {
  const set = await call(address, 'PUT', '/api/stand-ins/provider', { headers: { cookie: own }, body: { mode } });
  expect(set.status).toBe(200);
};
const problemOf = async (response: Response) => (await response.json()) as ProblemBody;
const titleOf = async (response: Response) => [response.status, (await problemOf(response)).title];
const accountOf = async (cookie: string) => call<OwnAccount>(address, 'GET', '/api/account', { headers: { cookie } });

/** A browser that sets out, with what it is known again by. */
interface Traveller {
  to: URL;
  journey: string;
}
async function settingOut(path: string, body: object, headers: Record<string, string> = {}): Promise<Traveller> {
  const response = await post(path, body, headers);
  expect(response.status).toBe(200);
  const cookie = response.headers.get('set-cookie')!;
  expect(cookie).toMatch(
    /^__Host-summant-journey=[A-Za-z0-9_-]{43}; Max-Age=600; Path=\/; Secure; HttpOnly; SameSite=Lax$/,
  );
  return { to: new URL(((await response.json()) as { address: string }).address), journey: cookie.split(';')[0]! };
}
const toSignIn = () => settingOut('/api/sign-in/provider', { next: '/wording?market=uk' });

/** Says at the provider who it is. @returns the query that comes back */
async function at(to: URL, person: string): Promise<string> {
  const chosen = new URL(to);
  chosen.searchParams.set('person', person);
  const response = await fetch(chosen, { redirect: 'manual' });
  expect(response.status).toBe(303);
  const back = new URL(response.headers.get('location')!);
  expect(back.origin + back.pathname).toBe(`${address}/sign-in/back`);
  return back.search;
}
const comeBack = (query: string, cookie: string) => post('/api/sign-in/provider/back', { query }, { cookie });
const through = async ({ to, journey }: Traveller, person: string) => comeBack(await at(to, person), journey);

async function joinByProvider(person: string, signIn = `${person}@example.com`): Promise<Response> {
  const path = await inviteBy(address, own, 'edit', person);
  const token = path.split('#')[1]!;
  return through(await settingOut('/api/links/provider', { token, name: person, signIn }), person);
}
const backTo = (response: Response) => response.json() as Promise<CameBack>;

test('one that is down when it is first asked sends nobody anywhere, and is asked again', async () => {
  await behaves('down');
  const response = await post('/api/sign-in/provider', { next: '/offers' });
  expect(await titleOf(response)).toEqual([502, 'No answer from the stand-in']);
  expect(response.headers.get('set-cookie')).toBeNull();
  await behaves('works');
  expect((await toSignIn()).to.pathname).toBe('/stand-ins/provider/authorize');
});

describe('joining', () => {
  let joined: Response;
  let told: CameBack;
  test('makes an account without a password, and signs in', async () => {
    joined = await joinByProvider('maren');
    told = await backTo(joined);
    expect([joined.status, told.did, told.next, told.codes.length]).toEqual([200, 'join', '/offers', 8]);
    const { body } = await accountOf(cookieOf(joined)!);
    expect(body).toMatchObject({ name: 'maren', role: 'edit', hasPassword: false, codesLeft: 8 });
    expect(body.provider).toMatchObject({
      name: 'the stand-in',
      connected: { knownAs: 'maren.holt@example.com', usedAt: null },
    });
  });

  test('leads in from then on, and on to where one was going', async () => {
    const signedIn = await through(await toSignIn(), 'maren');
    expect(await backTo(signedIn)).toEqual({ did: 'sign-in', name: 'maren', next: '/wording?market=uk', codes: [] });
    const { body } = await accountOf(cookieOf(signedIn)!);
    expect(body.provider!.connected!.usedAt).not.toBeNull();
  });

  test('leaves nothing that a password would open, and no way in can be taken that is the only one', async () => {
    const cookie = cookieOf(joined)!;
    expect((await post('/api/sign-in', { signIn: 'maren@example.com', password })).status).toBe(401);
    expect((await post('/api/account/recovery-codes', { password }, { cookie })).status).toBe(409);
    const ended = await call<ProblemBody>(address, 'DELETE', '/api/account/provider', { headers: { cookie } });
    expect([ended.status, ended.body.title]).toEqual([409, 'You would have no way in left']);
    // A code sets a password; nobody can have connected anything with one before.
    const found = await post('/api/sign-in/recovery', { signIn: 'maren@example.com', code: told.codes[0]!, password });
    expect(found.status).toBe(200);
    expect((await accountOf(cookieOf(found)!)).body).toMatchObject({
      hasPassword: true,
      provider: { connected: { knownAs: 'maren.holt@example.com' } },
    });
    const now = await call<OwnAccount>(address, 'DELETE', '/api/account/provider', {
      headers: { cookie: cookieOf(found)! },
    });
    expect(now.body.provider!.connected).toBeNull();
    expect(await titleOf(await through(await toSignIn(), 'maren'))).toEqual([
      401,
      'No account here is connected with this',
    ]);
  });

  test('makes nothing where the link has been used meanwhile, or whoever it is has an account', async () => {
    const path = await inviteBy(address, own, 'look', 'Late');
    const token = path.split('#')[1]!;
    const late = await settingOut('/api/links/provider', { token, name: 'Late', signIn: 'late@example.com' });
    await joinBy(address, path, 'sooner@example.com');
    expect((await through(late, 'jon')).status).toBe(404);
    expect((await joinByProvider('jon')).status).toBe(200);
    expect(await titleOf(await joinByProvider('jon', 'again@example.com'))).toEqual([
      409,
      'Another account is connected with this',
    ]);
    const [rows] = await database.query<RowDataPacket[]>(
      "SELECT 1 FROM account WHERE sign_in IN ('late@example.com', 'again@example.com')",
    );
    expect(rows).toEqual([]);
  });

  test('is for links that make accounts, under a name that nobody else signs in with', async () => {
    const token = (await inviteBy(address, own, 'look', 'Twin')).split('#')[1]!;
    const twin = await post('/api/links/provider', { token, name: 'Twin', signIn: ' IDA@example.com' });
    expect((await problemOf(twin)).title).toBe('Somebody else signs in with this');
    const [[row]] = await database.query<RowDataPacket[]>("SELECT id FROM account WHERE name = 'jon'");
    const made = await call<{ path: string }>(address, 'POST', `/api/people/${row!.id}/way-back`, {
      headers: { cookie: own },
    });
    const back = { token: made.body.path.split('#')[1]!, name: 'jon', signIn: 'jon' };
    expect((await post('/api/links/provider', back)).status).toBe(404);
  });
});

describe('what comes back', () => {
  test.each(['nonce', 'issuer', 'signature', 'expiry', 'audience'])('is not taken with a wrong %s', async (mode) => {
    const traveller = await toSignIn();
    await behaves(mode);
    const response = await through(traveller, 'jon');
    expect(await titleOf(response)).toEqual([401, 'You were not signed in by the stand-in']);
    expect(response.headers.get('set-cookie')).toBeNull();
    // What is right is taken still.
    await behaves('works');
    expect((await through(await toSignIn(), 'jon')).status).toBe(200);
  });

  test.each(['slow', 'down'])('is waited for only so long: %s', async (mode) => {
    const traveller = await toSignIn();
    await behaves(mode);
    expect(await titleOf(await through(traveller, 'jon'))).toEqual([502, 'No answer from the stand-in']);
  });

  test('is good once, and in the browser that set out', async () => {
    const [one, other] = [await toSignIn(), await toSignIn()];
    const query = await at(one.to, 'jon');
    const nobody = [401, 'Nobody is expected back with this'];
    expect(await titleOf(await comeBack(query, other.journey))).toEqual(nobody);
    expect(await titleOf(await comeBack(query, ''))).toEqual(nobody);
    expect((await comeBack(query, one.journey)).status).toBe(200);
    expect(await titleOf(await comeBack(query, one.journey))).toEqual(nobody);
    for (const nothing of ['?', '?state=', '?code=x', `?state=${'x'.repeat(43)}&code=x`])
      expect(await titleOf(await comeBack(nothing, other.journey))).toEqual(nobody);
  });

  test('is good for ten minutes', async () => {
    const traveller = await toSignIn();
    const query = await at(traveller.to, 'jon');
    await database.query('UPDATE provider_journey SET ends_at = UTC_TIMESTAMP(3)');
    expect((await comeBack(query, traveller.journey)).status).toBe(401);
  });

  test.each([
    [
      'the code of another journey',
      (query: URLSearchParams, other: URLSearchParams) => query.set('code', other.get('code')!),
    ],
    ['a made-up code', (query: URLSearchParams) => query.set('code', 'made-up')],
    ['another provider’s name', (query: URLSearchParams) => query.set('iss', 'https://elsewhere.example.com')],
    ['no provider’s name', (query: URLSearchParams) => query.delete('iss')],
    ['a refusal', (query: URLSearchParams) => query.set('error', 'access_denied')],
  ] as const)('is not taken with %s', async (_, change) => {
    const [one, other] = [await toSignIn(), await toSignIn()];
    const query = new URLSearchParams(await at(one.to, 'jon'));
    change(query, new URLSearchParams(await at(other.to, 'ada')));
    const response = await comeBack(`?${query}`, one.journey);
    expect(await titleOf(response)).toEqual([401, 'You were not signed in by the stand-in']);
    expect(cookieOf(response)).toBeNull();
  });

  test('is nobody where they went back at the provider, or have no account', async () => {
    expect((await through(await toSignIn(), '-')).status).toBe(401);
    expect((await problemOf(await through(await toSignIn(), 'ada'))).title).toBe(
      'No account here is connected with this',
    );
  });
});

describe('connecting', () => {
  const connecting = (cookie: string) => settingOut('/api/account/provider', { password }, { cookie });
  const invited = async (name: string) =>
    joinBy(address, await inviteBy(address, own, 'look', name), `${name}@example.com`, name);

  test('takes the password, and the one who set out', async () => {
    const cookie = await invited('Signe');
    expect((await post('/api/account/provider', { password: 'another altogether' }, { cookie })).status).toBe(409);
    const traveller = await connecting(cookie);
    const query = await at(traveller.to, 'ada');
    // Somebody else signs in in the same browser meanwhile.
    const mixed = await comeBack(query, `${traveller.journey}; ${own}`);
    expect(await titleOf(mixed)).toEqual([409, 'You are signed in otherwise by now']);
    const again = await connecting(cookie);
    const connected = await comeBack(await at(again.to, 'ada'), `${again.journey}; ${cookie}`);
    expect(await backTo(connected)).toMatchObject({ did: 'connect', next: '/account', codes: [] });
    expect(await backTo(await through(await toSignIn(), 'ada'))).toMatchObject({ name: 'Signe' });
    const other = await invited('Other');
    const taken = await connecting(other);
    expect(await titleOf(await comeBack(await at(taken.to, 'ada'), `${taken.journey}; ${other}`))).toEqual([
      409,
      'Another account is connected with this',
    ]);
  });

  test('ends where the account is found again: whoever knew the password may have begun it', async () => {
    const [[row]] = await database.query<RowDataPacket[]>("SELECT id FROM account WHERE name = 'Signe'");
    const made = await call<{ path: string }>(address, 'POST', `/api/people/${row!.id}/way-back`, {
      headers: { cookie: own },
    });
    await joinBy(address, made.body.path, 'Signe');
    expect((await through(await toSignIn(), 'ada')).status).toBe(401);
  });

  test('is asked for by pages only', async () => {
    const headers = { 'content-type': 'application/json', ...elsewhere() };
    const response = await fetch(`${address}/api/sign-in/provider`, { method: 'POST', headers, body: '{"next":"/"}' });
    expect(await titleOf(response)).toEqual([409, 'A provider sends browsers back to a page']);
  });
});

test('somebody is sent on to Summant only', async () => {
  const traveller = await settingOut('/api/sign-in/provider', { next: '//elsewhere.example.com/' });
  expect((await backTo(await through(traveller, 'jon'))).next).toBe('/offers');
});

test('the audit says who came by the provider, and that somebody could not', async () => {
  const { body } = await call<Audit>(address, 'GET', '/api/audit?kind=signing-in', { headers: { cookie: own } });
  const said = body.entries.map(({ person, what }) => `${person}: ${what}`);
  expect(said).toContain('jon: Signed in by the provider');
  expect(said).toContain('maren: Made an account by a link, with the provider');
  expect(said).toContain('Signe: Connected the account with the provider');
  expect(said).toContain('null: Could not sign in by the provider');
});

test('nothing of a journey is kept as browsers show it', async () => {
  const { to, journey } = await toSignIn();
  const [rows] = await database.query<RowDataPacket[]>('SELECT * FROM provider_journey');
  const kept = JSON.stringify(rows) + rows.flatMap((row) => Object.values(row).map(String)).join();
  expect(rows.length).toBeGreaterThan(0);
  expect(kept).not.toContain(to.searchParams.get('state'));
  expect(kept).not.toContain(journey.split('=')[1]);
});

test('the stand-in sends nobody elsewhere, and knows nobody but Summant', async () => {
  const { to } = await toSignIn();
  for (const [name, value] of [
    ['redirect_uri', 'https://elsewhere.example.com/sign-in/back'],
    ['redirect_uri', `${address}/offers`],
    ['client_id', 'another'],
    ['code_challenge_method', 'plain'],
    ['response_type', 'token'],
  ] as const) {
    const asked = new URL(to);
    asked.searchParams.set(name, value);
    asked.searchParams.set('person', 'jon');
    const response = await fetch(asked, { redirect: 'manual' });
    expect([response.status, response.headers.get('location')]).toEqual([200, null]);
    expect(await response.text()).toContain('That does not work');
  }
});
