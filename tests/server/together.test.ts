import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import { presenceEvery } from '../../src/contract/shapes/together.ts';
import type { Comment } from '../../src/contract/shapes/together.ts';
import type { People } from '../../src/contract/shapes/account.ts';
import { presenceEvery as presenceOfPages } from '../../src/client/together/say-where.ts';
import { call, etagOf, type DraftBody, type ProblemBody } from '../support/api.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { seeded } from '../support/from-schema.ts';
import { listen } from '../support/listen.ts';
import { firstLinkOf, inviteBy, joinBy } from '../support/people.ts';

/** Two processes on one database. */
let application: Application;
let second: Application;
let address: string;
/** sessions */
let ida: string;
let bea: string;
let looking: string;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), 'summant_together');
  application = await startApplication({ DATABASE_URL: url, SUMMANT_LOG: 'silent' });
  address = application.address;
  ida = await joinBy(address, await firstLinkOf(application.said), 'ida@example.com', 'Ida');
  bea = await joinBy(address, await inviteBy(address, ida, 'edit', 'Bea', null), 'bea@example.com', 'Bea');
  second = await startApplication({ DATABASE_URL: url, SUMMANT_LOG: 'silent' });
  looking = await joinBy(address, await inviteBy(address, ida, 'look', 'Lou', null), 'lou@example.com', 'Lou');
});
afterAll(async () => {
  await second.stop();
  await application.stop();
});

const as = <T>(cookie: string, method: string, path: string, body?: unknown, headers: Record<string, string> = {}) =>
  call<T>(address, method, path, { headers: { cookie, ...headers }, ...(body === undefined ? {} : { body }) });
const draftOf = async (cookie: string): Promise<DraftBody> => (await as<DraftBody>(cookie, 'GET', '/api/draft')).body;
const target = (market: string) => `/offers/free-delivery/goals/first/targets/${market}`;
async function setGoal(cookie: string, market: string, exact: number): Promise<void> {
  const { revision } = await draftOf(cookie);
  const body = [{ op: 'replace', path: target(market), value: { exact } }];
  const answer = await as<DraftBody>(cookie, 'PATCH', '/api/draft', body, {
    'if-match': etagOf(revision),
    'content-type': 'application/json-patch+json',
  });
  expect(answer.status).toBe(200);
}
const step = async (cookie: string, way: 'undo' | 'redo') =>
  as<DraftBody & ProblemBody>(cookie, 'POST', `/api/draft/${way}`, undefined, {
    'if-match': etagOf((await draftOf(cookie)).revision),
  });
const goalIn = async (market: string): Promise<unknown> =>
  (await draftOf(ida)).policy.offers['free-delivery']!.goals.first!.targets[market];

describe('undo', () => {
  test('takes back one’s own edits first, those of others lying on top or not', async () => {
    await setGoal(ida, 'uk', 5100);
    await setGoal(bea, 'nlbe', 5200);
    const before = await draftOf(ida);
    expect(before.canUndo).toContain('£51');
    expect((await draftOf(bea)).canUndo).toContain('€52');
    expect((await step(ida, 'undo')).status).toBe(200);
    expect([await goalIn('uk'), await goalIn('nlbe')]).not.toContainEqual({ exact: 5100 });
    expect(await goalIn('nlbe')).toEqual({ exact: 5200 });
    expect((await draftOf(ida)).canRedo).toContain('£51');
    // Another’s edit takes nothing away from what one can do again.
    await setGoal(bea, 'nlbe', 5300);
    expect((await draftOf(ida)).canRedo).toContain('£51');
    expect((await step(ida, 'redo')).status).toBe(200);
    expect([await goalIn('uk'), await goalIn('nlbe')]).toEqual([{ exact: 5100 }, { exact: 5300 }]);
  });
  test('says whose edit lies on top, and changes nothing', async () => {
    await setGoal(ida, 'uk', 5400);
    await setGoal(bea, 'uk', 5500);
    const refused = await step(ida, 'undo');
    expect([refused.status, refused.body.title]).toEqual([409, 'Something lies on top of it']);
    expect(refused.body.detail).toMatch(/£55.*by Bea came after .*£54/);
    expect(await goalIn('uk')).toEqual({ exact: 5500 });
    expect((await step(bea, 'undo')).status).toBe(200);
    expect((await step(ida, 'undo')).status).toBe(200);
    expect(await goalIn('uk')).toEqual({ exact: 5100 });
    // What was taken back cannot be done again under something newer.
    await setGoal(bea, 'uk', 5600);
    expect((await step(ida, 'redo')).status).toBe(409);
    expect(await goalIn('uk')).toEqual({ exact: 5600 });
  });
  test('goes on with the edits of others, by their names, down to the store as it was loaded', async () => {
    let named = 0;
    for (let draft = await draftOf(bea); draft.canUndo !== null; draft = await draftOf(bea)) {
      if (draft.canUndo.endsWith('(by Ida)')) named++;
      expect((await step(bea, 'undo')).status).toBe(200);
    }
    expect(named).toBe(1);
    expect((await draftOf(bea)).canRedo).not.toBeNull();
    // What was taken back by somebody else comes last, and lies under something newer.
    while (!(await draftOf(bea)).canRedo!.endsWith('(by Ida)')) expect((await step(bea, 'redo')).status).toBe(200);
    expect((await step(bea, 'redo')).status).toBe(409);
    expect(await goalIn('uk')).toEqual({ exact: 5600 });
    while ((await draftOf(bea)).canUndo !== null) expect((await step(bea, 'undo')).status).toBe(200);
  });
});

test('steps of two people, whatever their order: each is taken back as it was taken', async () => {
  const random = seeded(31);
  const people = [ida, bea];
  const markets = ['uk', 'nlbe', 'dk'];
  const start = JSON.stringify((await draftOf(ida)).policy);
  for (let count = 0; count < 60; count++) {
    const who = people[Math.floor(random() * 2)]!;
    const kind = Math.floor(random() * 4);
    if (kind < 2) await setGoal(who, markets[Math.floor(random() * 3)]!, 6000 + count * 100);
    else {
      const way = kind === 2 ? 'undo' : 'redo';
      const back = way === 'undo' ? 'redo' : 'undo';
      const before = await draftOf(who);
      const taken = await step(who, way);
      if (taken.status !== 200 || taken.body.revision === before.revision) continue;
      expect((await step(who, back)).status).toBe(200);
      expect((await draftOf(who)).policy).toEqual(before.policy);
      expect((await step(who, way)).status).toBe(200);
    }
  }
  for (let draft = await draftOf(bea); draft.canUndo !== null; draft = await draftOf(bea)) {
    const own = await step(bea, 'undo');
    if (own.status === 409) expect((await step(ida, 'undo')).status).toBe(200);
  }
  expect(JSON.stringify((await draftOf(ida)).policy)).toBe(start);
});

describe('news', () => {
  test('tell of edits, comments and people, also those of another process', async () => {
    const there = listen(second.address, looking);
    await expect.poll(() => there.last()).toBeTruthy();
    const { draft } = there.last()!;
    await setGoal(ida, 'uk', 5700);
    await expect.poll(() => there.last()?.draft).toBe(draft + 1);
    const page = 'abcdefghij22';
    await as(bea, 'PUT', '/api/presence', { page, place: 'offers', thing: 'offer free-delivery' });
    const beaThere = {
      page,
      account: expect.any(String) as string,
      name: 'Bea',
      place: 'offers',
      thing: 'offer free-delivery',
    };
    await expect.poll(() => there.last()?.people).toEqual([beaThere]);
    // Nobody speaks for another’s page.
    await as(ida, 'PUT', '/api/presence', { page, place: 'orders', thing: '' });
    await as(ida, 'PUT', '/api/presence', { page, place: '', thing: '' });
    await as(ida, 'PUT', '/api/presence', { page: 'abcdefghij33', place: 'orders', thing: '' });
    await expect.poll(() => there.last()?.people.length).toBe(2);
    expect(there.last()?.people[0]).toEqual(beaThere);
    await as(bea, 'PUT', '/api/presence', { page, place: '', thing: '' });
    await expect.poll(() => there.last()?.people.map(({ name }) => name)).toEqual(['Ida']);
    await there.close();
  });
  test('end when whoever listens may no longer', async () => {
    const gone = await joinBy(address, await inviteBy(address, ida, 'look', 'Gus', null), 'gus@example.com', 'Gus');
    const there = listen(second.address, gone);
    await expect.poll(() => there.last()).toBeTruthy();
    const { people } = (await as<People>(ida, 'GET', '/api/people')).body;
    const { id } = people.find(({ name }) => name === 'Gus')!;
    expect((await as(ida, 'DELETE', `/api/people/${id}`)).status).toBe(200);
    await there.over;
    const again = listen(second.address, gone);
    await again.over;
    expect(again.status()).toBe(401);
  });
  test('pages say where they are as often as they are expected to', () => {
    expect(presenceOfPages).toBe(presenceEvery);
  });
});

describe('comments', () => {
  const on = { kind: 'option', about: 'uk-standard' };
  const read = async () =>
    (await as<Comment[]>(looking, 'GET', `/api/comments?kind=${on.kind}&about=${on.about}`)).body;
  test('are made by whoever may look, and done by anybody; what is not done comes first', async () => {
    const there = listen(address, ida);
    const first = await as<Comment>(looking, 'POST', '/api/comments', {
      ...on,
      said: '  Is this too dear?\nI think so. ',
    });
    expect(first.status).toBe(201);
    expect(first.body).toMatchObject({ said: 'Is this too dear?\nI think so.', madeBy: 'Lou', done: null });
    await as(bea, 'POST', '/api/comments', { ...on, said: 'It is not.' });
    await expect.poll(() => there.last()?.comments).toEqual([{ ...on, open: 2 }]);
    expect((await read()).map(({ madeBy }) => madeBy)).toEqual(['Bea', 'Lou']);
    const [newest] = await read();
    const done = await as<Comment>(ida, 'PUT', `/api/comments/${newest!.id}`, { done: true });
    expect(done.body.done?.by).toBe('Ida');
    // Who was first has done it.
    await as(bea, 'PUT', `/api/comments/${newest!.id}`, { done: true });
    expect((await read()).map(({ madeBy, done }) => [madeBy, done?.by])).toEqual([
      ['Lou', undefined],
      ['Bea', 'Ida'],
    ]);
    await expect.poll(() => there.last()?.comments).toEqual([{ ...on, open: 1 }]);
    expect((await as<Comment>(bea, 'PUT', `/api/comments/${newest!.id}`, { done: false })).body.done).toBeNull();
    await there.close();
  });
  test('that say nothing, that are about nothing or that do not exist are refused', async () => {
    for (const body of [
      { ...on, said: '  ' },
      { ...on, about: '', said: 'x' },
      { ...on, kind: 'policy', said: 'x' },
    ])
      expect((await as(ida, 'POST', '/api/comments', body)).status).toBe(422);
    expect((await as(ida, 'POST', '/api/comments', { ...on, said: 'x'.repeat(2001) })).status).toBe(422);
    for (const id of ['abcdefghij22', 'constructor', '%C3%A4'])
      expect((await as(ida, 'PUT', `/api/comments/${id}`, { done: true })).status).toBe(404);
  });
});
