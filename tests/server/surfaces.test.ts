import { beforeAll, describe, expect, test } from 'vitest';
import type { SurfaceCompared, SurfaceStanding } from '../../src/contract/shapes/surface.ts';
import { call, etagOf, patchDraft, readDraft, setGoal, type ProblemBody } from '../support/api.ts';
import { address, emptyAddress } from '../support/server-here.ts';

const states = async (): Promise<Record<string, SurfaceStanding>> => {
  const { body } = await call<{ surfaces: SurfaceStanding[] }>(address, 'GET', '/api/surfaces');
  return Object.fromEntries(body.surfaces.map((one) => [one.id, one]));
};
const surface = (id: string) => call<SurfaceCompared & ProblemBody>(address, 'GET', `/api/surfaces/${id}`);
const handIn = (id: string, text: string, format = 'text') =>
  call<SurfaceCompared & ProblemBody>(address, 'PUT', `/api/surfaces/${id}/text`, {
    body: { text, format, source: 'pasted' },
  });
const fetchAgain = (id: string) => call<SurfaceCompared & ProblemBody>(address, 'POST', `/api/surfaces/${id}/fetch`);
const standIn = (mode: string) => call(address, 'PUT', '/api/stand-ins/pages', { body: { mode } });
const release = (revision: number) =>
  call<{ number: number }>(address, 'POST', '/api/releases', {
    body: { note: '', reason: 'The gaps of the demo are meant.' },
    headers: { 'if-match': etagOf(revision) },
  });
const undo = (revision: number) =>
  call(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(revision) } });
const published = (path: string, headers: Record<string, string> = {}) =>
  fetch(new URL(`/published/${path}`, address), { headers });
const said = async (path: string) => (await (await published(path)).text()).replaceAll(/[\u00a0\u202f]/g, ' ').trim();

describe('what is published', () => {
  test('is the release’s, has an ETag, and is not sent twice', async () => {
    const first = await published('nlbe/nl-NL/policy-page.html');
    expect(first.status).toBe(200);
    expect(first.headers.get('content-type')).toBe('text/html; charset=utf-8');
    expect(first.headers.get('cache-control')).toBe('public, max-age=60');
    const etag = first.headers.get('etag')!;
    const again = await published('nlbe/nl-NL/policy-page.html', { 'if-none-match': etag });
    expect([again.status, await again.text()]).toEqual([304, '']);
    const feed = await published('nlbe/nl-NL/feed.rss');
    expect(feed.headers.get('content-type')).toContain('application/rss+xml');
    const known = await published('nlbe/nl-NL/feed.rss', { 'if-none-match': feed.headers.get('etag')! });
    expect(known.status).toBe(304);
    expect(await said('rate-sheet.csv')).toMatch(/^option,name,measure,from,price,currency/);
  });
  test('is of markets and languages that there are', async () => {
    for (const path of [
      'nlbe/de-DE/banner.txt',
      'nowhere/nl-NL/banner.txt',
      'constructor/nl-NL/banner.txt',
      'nlbe/nl-NL/other.txt',
      'nlbe/nl-NL/rate-sheet.csv',
      'banner.txt',
      'constructor',
    ])
      expect((await published(path)).status, path).toBe(404);
    expect((await fetch(new URL('/published/rate-sheet.csv', emptyAddress))).status).toBe(404);
  });
  test('follows a release and not the draft, which can be looked at before', async () => {
    expect(await said('nlbe/nl-NL/banner.txt')).toBe('Gratis bezorging vanaf € 75,00');
    const edited = await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 6000));
    const drafted = await fetch(new URL('/api/generated?market=nlbe&language=nl-NL&file=banner.txt', address));
    expect(await drafted.text()).toContain('60,00');
    expect(await said('nlbe/nl-NL/banner.txt')).toBe('Gratis bezorging vanaf € 75,00');
    const old = (await published('nlbe/nl-NL/banner.txt')).headers.get('etag')!;
    await release(edited.body.revision);
    const now = await published('nlbe/nl-NL/banner.txt', { 'if-none-match': old });
    expect(now.status).toBe(200);
    expect(now.headers.get('etag')).not.toBe(old);
    await undo(edited.body.revision);
    await release((await readDraft(address)).revision);
    expect(await said('nlbe/nl-NL/banner.txt')).toBe('Gratis bezorging vanaf € 75,00');
  });
});

describe('the demo’s surfaces', () => {
  beforeAll(async () => {
    for (const id of ['banner-nl', 'delivery-nl', 'product-uk', 'banner-da']) await fetchAgain(id);
  });
  test('are eight, of which three are stale', async () => {
    const known = await states();
    expect(Object.keys(known)).toHaveLength(8);
    const stale = Object.values(known).filter(({ state }) => state === 'stale');
    expect(stale.map(({ id }) => id).sort()).toEqual(['banner-da', 'banner-nl', 'product-uk']);
    expect(Object.values(known).filter(({ state }) => state === 'right')).toHaveLength(5);
  });
  test('tell what they should say, and data are read as data', async () => {
    const { text, found } = (await surface('banner-nl')).body;
    expect(found).toMatchObject([{ kind: 'goal', verdict: 'stale', market: 'nlbe' }]);
    expect(text.slice(found[0]!.start, found[0]!.end)).toBe('€ 65,-');
    expect(found[0]!.should.map((amount) => amount.replace('\u00a0', ' '))).toEqual(['€ 75,00']);
    const product = (await surface('product-uk')).body;
    expect(product.found.map(({ kind, verdict, should }) => [kind, verdict, should])).toEqual([
      ['goal', 'stale', ['£70.00']],
      ['price', 'right', []],
    ]);
  });
  test('a draft says which it would leave behind; after its release they are stale since then, until done by hand', async () => {
    const edited = await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 6000));
    const before = await states();
    expect(before['delivery-nl']).toMatchObject({ state: 'right', becomesStale: 1 });
    expect(before['autumn-de']).toMatchObject({ becomesStale: 0 });
    const { number } = (await release(edited.body.revision)).body;
    expect((await states())['delivery-nl']).toMatchObject({ state: 'stale', stale: 1, becomesStale: 0 });
    expect((await surface('delivery-nl')).body.found.find(({ verdict }) => verdict === 'stale')).toMatchObject({
      since: number,
    });
    const done = await call<SurfaceCompared>(address, 'POST', '/api/surfaces/delivery-nl/done');
    expect(done.body.standing.state).toBe('byHand');
    expect((await handIn('delivery-nl', 'Vanaf € 60 is de bezorging gratis.')).body.standing.state).toBe('right');
    await undo(edited.body.revision);
    await release((await readDraft(address)).revision);
    expect((await states())['delivery-nl']).toMatchObject({ state: 'stale' });
    expect((await fetchAgain('delivery-nl')).body.standing.state).toBe('right');
  });
  test('that cannot be fetched keep what was read, and say why', async () => {
    const before = (await surface('banner-nl')).body;
    await standIn('down');
    expect(await fetchAgain('banner-nl')).toMatchObject({
      status: 502,
      body: { detail: expect.stringContaining('503') as string },
    });
    await standIn('elsewhere');
    expect((await fetchAgain('banner-nl')).body.detail).toContain('which is another host');
    const after = (await surface('banner-nl')).body;
    expect(after).toEqual({ ...before, standing: { ...before.standing, problem: expect.any(String) as string } });
    await standIn('works');
    expect((await fetchAgain('banner-nl')).body.standing.problem).toBeNull();
  });
  test('without an address are pasted; what is none is refused', async () => {
    expect((await fetchAgain('mail-fr')).status).toBe(409);
    expect((await surface('nothing')).status).toBe(404);
    expect((await surface('constructor')).status).toBe(404);
    expect((await handIn('mail-fr', 'x'.repeat(1_048_577))).status).toBe(422);
    expect((await handIn('mail-fr', 'Livraison gratuite dès 80 €')).body.standing.state).toBe('stale');
    expect((await handIn('mail-fr', 'Bonjour !')).body.standing.state).toBe('nothingStated');
    expect((await handIn('mail-fr', 'Livraison gratuite à partir de 75 €')).body.standing.state).toBe('right');
  });
});

describe('files', () => {
  test.each([
    ['feed.csv', 'csv'],
    ['feed.rss', 'xml'],
  ])('%s as it was published is right, and a price of another kind is stale', async (file, format) => {
    const text = await (await published(`nlbe/nl-NL/${file}`)).text();
    const right = (await handIn('mail-fr', text, format)).body;
    expect(right).toMatchObject({ found: [], standing: { state: 'right' } });
    expect(right.rightRows).toBeGreaterThan(60);
    const changed = text.replace(/4\.50/, '4.75');
    expect((await handIn('mail-fr', changed, format)).body).toMatchObject({
      rightRows: right.rightRows - 1,
      found: [{ kind: 'row', verdict: 'stale', should: ['4.50'], since: null }],
    });
  });
  test('structured data and a rate sheet as they were published are right', async () => {
    const data = await (await published('ch/de-CH/structured-data.json')).text();
    expect((await handIn('mail-fr', data, 'json')).body.standing).toMatchObject({ stale: 0 });
    const sheet = await (await published('rate-sheet.csv')).text();
    expect((await handIn('mail-fr', sheet, 'csv')).body).toMatchObject({ found: [], standing: { state: 'right' } });
    const other = sheet.replace('nlbe-parcel-shop,Parcel shop,,,4.50', 'nlbe-parcel-shop,Parcel shop,,,4.40');
    expect((await handIn('mail-fr', other, 'csv')).body.found).toMatchObject([{ kind: 'row', verdict: 'stale' }]);
  });
  test('that are not what they are said to be are read as text', async () => {
    for (const format of ['json', 'xml', 'csv', 'html'])
      expect((await handIn('mail-fr', 'Livraison gratuite à partir de 75 €', format)).body.standing.state, format).toBe(
        'right',
      );
  });
  test('the mail is as it was again', async () => {
    expect((await handIn('mail-fr', 'Livraison gratuite à partir de 75 €')).status).toBe(200);
  });
});

test('hosts are listed, each once', async () => {
  const put = (hosts: string[]) => call<{ hosts: string[] }>(address, 'PUT', '/api/listed-hosts', { body: { hosts } });
  expect((await put(['shop.example.com', 'a.example.com:8443', 'shop.example.com'])).body.hosts).toEqual([
    'a.example.com:8443',
    'shop.example.com',
  ]);
  expect((await put(['https://shop.example.com'])).status).toBe(422);
  expect((await put(['-'])).status).toBe(422);
  // Of several at once one holds, whole.
  const lists = Array.from({ length: 12 }, (_, index) => ['shop.example.com', `host-${index}.example.com`].sort());
  const answers = await Promise.all(lists.map(put));
  expect(answers.map(({ status }) => status)).toEqual(lists.map(() => 200));
  expect(lists).toContainEqual((await call<{ hosts: string[] }>(address, 'GET', '/api/listed-hosts')).body.hosts);
  expect((await put([])).body.hosts).toEqual([]);
});

test('a store made by hand has none, and says so', async () => {
  expect((await call(emptyAddress, 'GET', '/api/surfaces')).body).toMatchObject({ surfaces: [] });
});
