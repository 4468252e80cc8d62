import { parse } from 'csv-parse/sync';
import mysql, { type Connection } from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import type { Audit, AuditEntry } from '../../src/contract/shapes/audit.ts';
import type { Choices } from '../../src/contract/shapes/choices.ts';
import type { AskedRelease, ReleaseSummary } from '../../src/contract/shapes/release.ts';
import type { People } from '../../src/contract/shapes/account.ts';
import type { Role } from '../../src/core/people/roles.ts';
import { call, etagOf, type DraftBody, type ProblemBody, type Reply } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { firstLinkOf, inviteBy, joinBy, password } from '../support/people.ts';

let application: Application;
let address: string;
let database: Connection;
/** sessions */
let own: string;
let british: string;
let releasing: string;
let other: string;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_team');
  application = await startApplication({ DATABASE_URL: url, SUMMANT_LOG: 'silent' });
  address = application.address;
  database = await mysql.createConnection({ uri: url, timezone: 'Z' });
  own = await joinBy(address, await firstLinkOf(application.said), 'ida@example.com', 'Ida');
  british = await member('Bea', 'release', ['uk']);
  releasing = await member('Rune', 'release');
  other = await member('Odd', 'release');
});
afterAll(async () => {
  await database.end();
  await application.stop();
});

const member = async (name: string, role: Role, markets: string[] | null = null): Promise<string> =>
  joinBy(address, await inviteBy(address, own, role, name, markets), `${name}@example.com`, name);
const as = <T>(cookie: string, method: string, path: string, body?: unknown, headers: Record<string, string> = {}) =>
  call<T>(address, method, path, { headers: { cookie, ...headers }, ...(body === undefined ? {} : { body }) });
const draft = async (): Promise<DraftBody> => (await as<DraftBody>(own, 'GET', '/api/draft')).body;
/** With the draft as it is. */
async function onDraft<T = ProblemBody>(
  cookie: string,
  method: string,
  path: string,
  body?: unknown,
): Promise<Reply<T>> {
  return as<T>(cookie, method, path, body, { 'if-match': etagOf((await draft()).revision) });
}
const edit = async (cookie: string, path: string, value: unknown) =>
  as<ProblemBody>(cookie, 'PATCH', '/api/draft', [{ op: 'replace', path, value }], {
    'if-match': etagOf((await draft()).revision),
    'content-type': 'application/json-patch+json',
  });
const target = (market: string) => `/offers/free-delivery/goals/first/targets/${market}`;
const release = (cookie: string, note = '', path = '/api/releases') =>
  onDraft<ReleaseSummary & AskedRelease & ProblemBody>(cookie, 'POST', path, { note, reason: 'its gaps are meant' });

test('nobody but a trusted proxy says that it was asked over TLS', async () => {
  const { headers } = await fetch(`${address}/sign-in`, { headers: { 'x-forwarded-proto': 'https' } });
  expect(headers.get('strict-transport-security')).toBeNull();
});

describe('somebody who is limited to a market', () => {
  test('edits it, and nothing that concerns others, whatever way is taken', async () => {
    expect((await edit(british, target('uk'), { exact: 5500 })).status).toBe(200);
    const before = await draft();
    const refused = await edit(british, target('dk'), { exact: 55000 });
    expect([refused.status, refused.body.detail]).toEqual([
      403,
      'Nothing was changed. This concerns Denmark. You may change only United Kingdom; whoever owns the store can let you do more.',
    ]);
    expect((await edit(british, '/store/name', 'Mine')).body.detail).toContain('This concerns every market.');
    expect(await draft()).toEqual(before);
    // Nor is somebody else's edit taken back, or done again, by somebody who could not have made it.
    expect((await edit(own, target('dk'), { exact: 51000 })).status).toBe(200);
    expect((await onDraft(british, 'POST', '/api/draft/undo')).status).toBe(200);
    expect((await onDraft(british, 'POST', '/api/draft/undo')).status).toBe(403);
    expect((await onDraft(own, 'POST', '/api/draft/undo')).status).toBe(200);
    expect((await onDraft(british, 'POST', '/api/draft/redo')).status).toBe(200);
    expect((await onDraft(british, 'POST', '/api/draft/redo')).status).toBe(403);
    expect((await draft()).policy).toEqual(before.policy);
    expect((await onDraft(british, 'POST', '/api/draft/undo')).status).toBe(200);
  });

  test('releases it as long as nothing else differs, and rolls back what concerns it alone', async () => {
    expect((await release(own, 'as it is')).status).toBe(201);
    await edit(own, target('uk'), { exact: 5600 });
    const released = await release(british, 'dearer');
    expect([released.status, released.body.releasedBy, released.body.agreedBy]).toEqual([201, 'Bea', null]);
    const { number } = released.body;
    const back = await as<ReleaseSummary>(british, 'POST', `/api/releases/${number - 1}/roll-back`, { note: '' });
    expect(back.status).toBe(201);
    await edit(own, target('dk'), { exact: 52000 });
    const both = await release(british);
    expect([both.status, both.body.detail]).toEqual([403, expect.stringContaining('This concerns Denmark.')]);
    expect((await release(own)).status).toBe(201);
    const far = await as<ProblemBody>(british, 'POST', `/api/releases/${number}/roll-back`, { note: '' });
    expect([far.status, far.body.detail]).toEqual([403, expect.stringContaining('This concerns Denmark.')]);
  });

  test('is no longer once that is said; who looks or owns never is', async () => {
    const { people } = (await as<People>(own, 'GET', '/api/people')).body;
    const bea = people.find(({ name }) => name === 'Bea')!;
    expect(bea.markets).toEqual(['uk']);
    const change = (role: Role, markets: string[] | null) =>
      as<People>(own, 'PUT', `/api/people/${bea.id}`, { role, markets });
    const limitNow = async (role: Role, markets: string[] | null) =>
      (await change(role, markets)).body.people.find(({ id }) => id === bea.id)!.markets;
    expect(await limitNow('look', ['uk'])).toBeNull();
    expect(await limitNow('edit', ['uk', 'jp'])).toEqual(['uk', 'jp']);
    expect(await limitNow('release', null)).toBeNull();
    expect((await edit(british, target('dk'), { exact: 53000 })).status).toBe(200);
    expect(await limitNow('release', ['uk'])).toEqual(['uk']);
  });
});

describe('a release by two people', () => {
  const choose = (some: Partial<Choices>) => as<Choices & ProblemBody>(own, 'PATCH', '/api/choices', some);

  test('is asked for by one and made by another, of the draft as it was', async () => {
    expect((await release(releasing, '', '/api/releases/asked')).status).toBe(409);
    expect((await choose({ twoPeople: true })).body).toEqual({ twoPeople: true, recordDays: 365, orderDays: null });
    await edit(own, target('jp'), { exact: 7100 });
    expect((await release(releasing)).status).toBe(409);
    const asked = await release(releasing, 'for the season', '/api/releases/asked');
    expect(asked.body).toMatchObject({ askedBy: 'Rune', note: 'for the season', own: true });
    const agree = (cookie: string) =>
      onDraft<ReleaseSummary & ProblemBody>(cookie, 'POST', '/api/releases/asked/agreement');
    const byOneself = await agree(releasing);
    expect([byOneself.status, byOneself.body.title]).toEqual([403, 'You have asked for this release yourself']);
    // An edit later it is something else that would be released.
    await edit(own, target('jp'), { exact: 7200 });
    expect((await agree(other)).status).toBe(412);
    await release(releasing, 'for the season', '/api/releases/asked');
    const seen = await as<{ asked: AskedRelease }>(other, 'GET', '/api/releases/asked');
    expect(seen.body.asked).toMatchObject({ askedBy: 'Rune', own: false, reason: 'its gaps are meant' });
    const beyond = await agree(british);
    expect([beyond.status, beyond.body.detail]).toEqual([403, expect.stringContaining('Japan')]);
    // Two who agree at once make one release.
    const both = await Promise.all([agree(other), agree(own)]);
    expect(both.map(({ status }) => status).sort()).toEqual([201, 404]);
    const made = both.find(({ status }) => status === 201)!.body;
    expect(made).toMatchObject({ note: 'for the season', reason: 'its gaps are meant', releasedBy: 'Rune' });
    expect(['Odd', 'Ida']).toContain(made.agreedBy);
    expect((await as<{ asked: null }>(other, 'GET', '/api/releases/asked')).body).toEqual({ asked: null });
    // Going back takes one.
    const back = await as(releasing, 'POST', `/api/releases/${made.number - 1}/roll-back`, { note: '' });
    expect(back.status).toBe(201);
  });

  test('is taken back, goes with the account of who asked, and with the choice', async () => {
    await release(releasing, 'one', '/api/releases/asked');
    expect((await as(other, 'DELETE', '/api/releases/asked')).body).toEqual({ asked: null });
    const gone = await member('Gro', 'release');
    await release(gone, 'two', '/api/releases/asked');
    const { people } = (await as<People>(own, 'GET', '/api/people')).body;
    await as(own, 'DELETE', `/api/people/${people.find(({ name }) => name === 'Gro')!.id}`);
    const asked = async () => (await as<{ asked: AskedRelease | null }>(own, 'GET', '/api/releases/asked')).body.asked;
    expect(await asked()).toBeNull();
    // Whoever may no longer release has asked for nothing.
    const less = await member('Lis', 'release');
    await release(less, 'for a while', '/api/releases/asked');
    const { id } = (await as<People>(own, 'GET', '/api/people')).body.people.find(({ name }) => name === 'Lis')!;
    await as(own, 'PUT', `/api/people/${id}`, { role: 'edit', markets: null });
    expect(await asked()).toBeNull();
    await as(own, 'DELETE', `/api/people/${id}`);
    await release(releasing, 'three', '/api/releases/asked');
    expect(await asked()).toMatchObject({ note: 'three' });
    expect((await choose({ twoPeople: false })).status).toBe(200);
    expect(await asked()).toBeNull();
  });

  test('is not chosen where nobody else may release', async () => {
    const { people } = (await as<People>(own, 'GET', '/api/people')).body;
    const others = people.filter(({ role }) => role === 'release');
    const all = (role: Role) =>
      Promise.all(others.map(({ id, markets }) => as(own, 'PUT', `/api/people/${id}`, { role, markets })));
    await all('edit');
    expect((await choose({ twoPeople: true })).status).toBe(409);
    await all('release');
  });
});

describe('the audit', () => {
  const audit = async (query = ''): Promise<Audit> => (await as<Audit>(own, 'GET', `/api/audit${query}`)).body;
  const told = async (query = '') => (await audit(query)).entries.map(({ person, what }) => `${person}: ${what}`);

  test('says who did what, and from where, the newest first', async () => {
    await edit(releasing, target('uk'), { exact: 5700 });
    await onDraft(other, 'POST', '/api/draft/undo');
    await call(address, 'POST', '/api/sign-in', { body: { signIn: 'odd@example.com', password: 'not this one' } });
    await call(address, 'POST', '/api/sign-in', { body: { signIn: 'hunter2 typed here', password } });
    const { entries } = await audit();
    const [unknown, refused, undone, edited] = entries as [AuditEntry, AuditEntry, AuditEntry, AuditEntry];
    expect(unknown).toMatchObject({ person: null, kind: 'signing-in', address: '127.0.0.1' });
    expect(refused).toMatchObject({ person: 'Odd', what: 'Could not sign in: the password did not fit' });
    expect(undone).toMatchObject({
      person: 'Odd',
      kind: 'draft',
      what: expect.stringMatching(/^Took back: Goal of “Free delivery” in United Kingdom/),
    });
    expect(edited).toMatchObject({ person: 'Rune', kind: 'draft', what: expect.stringContaining('Free delivery') });
    expect(entries.map(({ id }) => id)).toEqual(entries.map(({ id }) => id).sort((a, b) => b - a));
    // What was typed by mistake, and what nobody may read, is not in it.
    const all = JSON.stringify(entries);
    for (const secret of ['hunter2', password, 'not this one', own.split('=')[1]!]) expect(all).not.toContain(secret);
  });

  test('has releases, people and choices, by name also of who is gone', async () => {
    const releases = await told('?kind=release');
    expect(releases.filter((one) => /^Bea: Made release \d+: dearer$/.test(one))).toHaveLength(1);
    expect(releases.some((one) => /^(Odd|Ida): Agreed to release \d+, which Rune had asked for$/.test(one))).toBe(true);
    const people = await told('?kind=people');
    expect(people).toContain('Ida: Invited Bea, who may edit, and release, in uk');
    expect(people).toContain('Ida: Took the account of Gro away');
    expect(await told('?kind=signing-in')).toContain('Gro: Made an account by a link');
    expect(people).toContain('Ida: A release takes two people');
  });

  test('is asked for by person, kind and day, and page by page; as a file it is the same', async () => {
    expect(new Set((await audit('?person=Rune')).entries.map(({ person }) => person))).toEqual(new Set(['Rune']));
    const day = new Date().toISOString().slice(0, 10);
    expect((await audit(`?from=${day}&to=${day}`)).entries.length).toBeGreaterThan(20);
    expect((await audit('?to=2020-01-01')).entries).toEqual([]);
    expect((await as(own, 'GET', '/api/audit?from=yesterday')).status).toBe(422);
    const [newest, second] = (await audit()).entries;
    expect((await audit(`?before=${newest!.id}`)).entries[0]).toEqual(second);
    await as(releasing, 'POST', '/api/exports', { file: 'percentiles-uk.csv' });
    const file = await fetch(`${address}/api/audit.csv?kind=export`, { headers: { cookie: own } });
    const rows = parse((await file.text()).slice(1), { columns: true }) as Record<string, string>[];
    expect(rows[0]).toMatchObject({ kind: 'export', who: 'Rune', what: 'Saved percentiles-uk.csv' });
    expect((await told('?kind=export'))[0]).toBe('Ida: Saved the audit');
    for (const path of ['/api/audit', '/api/audit.csv'])
      expect((await fetch(address + path, { headers: { cookie: releasing } })).status).toBe(403);
  });

  test('is kept as long as the store says', async () => {
    await database.query(
      "INSERT INTO audit_entry (store_id, made_at, kind, person, address, what) VALUES (1, '2020-01-01', 'draft', 'Long ago', '', 'Something'), (1, DATE_SUB(UTC_TIMESTAMP(3), INTERVAL 31 DAY), 'draft', 'Lately', '', 'Something')",
    );
    const left = async () => [...(await told('?person=Long%20ago')), ...(await told('?person=Lately'))];
    const keep = (recordDays: number) => as<Choices>(own, 'PATCH', '/api/choices', { recordDays });
    expect((await keep(365)).body).toEqual({ twoPeople: false, recordDays: 365, orderDays: null });
    expect(await left()).toEqual(['Lately: Something']);
    expect((await keep(30)).status).toBe(200);
    expect(await left()).toEqual([]);
    expect((await keep(29)).status).toBe(422);
  });
});
