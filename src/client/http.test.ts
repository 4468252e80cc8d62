import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { addressOf, call } from './http.ts';

let seen: { path: string; init: RequestInit }[];
const answering = (work: () => Response | Promise<Response>) =>
  vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
    seen.push({ path, init });
    return Promise.resolve().then(work);
  });
const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });

beforeEach(() => {
  seen = [];
});
afterEach(() => vi.unstubAllGlobals());

test('an address has its parts and its query written so that nothing in them leads elsewhere', () => {
  expect(addressOf('GET /api/releases/{number}', { number: 7 })).toBe('/api/releases/7');
  expect(addressOf('PATCH /api/products/{id}', { id: 'a/b?c' })).toBe('/api/products/a%2Fb%3Fc');
  expect(addressOf('GET /api/orders/order', {}, { number: 'A&B 1' })).toBe('/api/orders/order?number=A%26B+1');
  expect(addressOf('GET /api/draft')).toBe('/api/draft');
});

test('a body travels as JSON, the revision as If-Match, and the wish for changes only as Prefer', async () => {
  answering(() => json({}));
  await call('PATCH /api/draft', { body: [], revision: 17, changesOnly: true });
  const [{ path, init }] = seen as [{ path: string; init: RequestInit }];
  expect([path, init.method, init.body]).toEqual(['/api/draft', 'PATCH', '[]']);
  expect(init.headers).toEqual({
    'content-type': 'application/json',
    'if-match': '"draft-17"',
    prefer: 'return=minimal',
  });
});

test('a file travels as it is, and can be stopped', async () => {
  answering(() => json({}));
  const content = new Blob(['a,b']);
  const { signal } = new AbortController();
  await call('PUT /api/imports/{id}/file', { params: { id: 3 }, file: { content, type: 'text/csv', signal } });
  expect(seen[0]).toMatchObject({ path: '/api/imports/3/file', init: { body: content, signal } });
  expect(seen[0]!.init.headers).toEqual({ 'content-type': 'text/csv' });
});

describe('answers', () => {
  const asked = () => call('GET /api/products');
  test('of what was asked', async () => {
    answering(() => json({ products: [] }));
    expect(await asked()).toEqual({ ok: true, body: { products: [] } });
  });
  test('that are a problem are handed on', async () => {
    answering(() => json({ status: 422, title: 'no', detail: 'not so' }, 422));
    const answer = await asked();
    expect(answer).toMatchObject({ ok: false, problem: { status: 422 }, unreachable: false, unreadable: false });
  });
  test.each([429, 502, 503, 504])('with status %i are worth another try', async (status) => {
    answering(() => json({ status, title: 'away', detail: '' }, status));
    expect(await asked()).toMatchObject({ ok: false, unreachable: true, unreadable: false });
  });
  test('of nobody are worth another try', async () => {
    answering(() => Promise.reject(new TypeError('refused')));
    expect(await asked()).toMatchObject({ ok: false, problem: { status: 0 }, unreachable: true, unreadable: false });
  });
  test.each([
    ['a page of somebody else', () => new Response('<html></html>')],
    ['cut off', () => new Response('{"products":[')],
    ['a bare word', () => json('fine')],
  ])('that are %s are none, and said to be unreadable', async (_, work) => {
    answering(work);
    expect(await asked()).toMatchObject({ ok: false, unreachable: false, unreadable: true });
  });
  test('that never come end', async () => {
    vi.useFakeTimers();
    const timeout = vi.spyOn(AbortSignal, 'timeout');
    answering(() => json({}));
    await asked();
    expect(timeout).toHaveBeenCalledWith(60_000);
    vi.useRealTimers();
  });
});
