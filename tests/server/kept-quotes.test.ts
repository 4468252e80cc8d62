import { describe, expect, test } from 'vitest';
import { call, etagOf, patchDraft, readDraft, setGoal } from '../support/api.ts';
import { address, emptyAddress } from '../support/server-here.ts';

const cart = {
  lines: [{ product: 'tidewing-16', quantity: 1 }],
  destination: { country: 'NL', postcode: '1799 ZA' },
};
const inAddress = (asked: unknown): string => `/api/quote?${new URLSearchParams({ asked: JSON.stringify(asked) })}`;
const get = (path: string, headers: Record<string, string> = {}, from = address) => fetch(from + path, { headers });

describe('a quote in the address', () => {
  test('is the one that is answered to the same cart as a body', async () => {
    const kept = await get(inAddress(cart));
    expect([kept.status, await kept.json()]).toEqual([
      200,
      (await call(address, 'POST', '/api/quote', { body: cart })).body,
    ]);
  });
  test('is not sent again to whoever has it, and is after a release that changes it', async () => {
    const first = await get(inAddress(cart));
    const etag = first.headers.get('etag')!;
    expect(first.headers.get('cache-control')).toBe('public, no-cache');
    for (const named of [etag, `W/${etag}`, `"other", ${etag}`, '*']) {
      const again = await get(inAddress(cart), { 'if-none-match': named });
      expect([again.status, await again.text(), again.headers.get('etag')]).toEqual([304, '', etag]);
    }
    const before = await call<{ release: number }>(address, 'GET', '/api/current');
    const edited = await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 6000));
    expect((await get(inAddress(cart), { 'if-none-match': etag })).status).toBe(304);
    const note = { note: 'Lower', reason: 'The gaps of the demo are meant.' };
    const released = await call<{ number: number }>(address, 'POST', '/api/releases', {
      body: note,
      headers: { 'if-match': etagOf(edited.body.revision) },
    });
    expect((await get(inAddress(cart), { 'if-none-match': etag })).status).toBe(200);
    const now = await call<{ release: number }>(address, 'GET', '/api/current');
    expect(now.body.release).toBe(released.body.number);
    await call(address, 'POST', `/api/releases/${before.body.release}/roll-back`, { body: { note: '' } });
    await call(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(edited.body.revision) } });
  });
  test('is kept by nobody on the way where it is about one shopper', async () => {
    for (const more of [
      { shopper: { signedIn: true, groups: ['members'] } },
      { codes: ['GUST10'] },
      { shopperKey: 'somebody' },
    ]) {
      const kept = await get(inAddress({ ...cart, ...more }));
      expect([kept.status, kept.headers.get('cache-control')]).toEqual([200, 'private, no-cache']);
    }
  });
  test('is refused as a body is', async () => {
    for (const [path, status] of [
      ['/api/quote', 422],
      ['/api/quote?asked=no', 400],
      [inAddress({}), 422],
      [inAddress({ ...cart, colour: 'red' }), 422],
      [inAddress({ ...cart, codes: ['x'.repeat(9000)] }), 422],
    ] as const)
      expect([path.slice(0, 60), (await get(path)).status]).toEqual([path.slice(0, 60), status]);
  });
});

test('what quotes rest on is told once', async () => {
  const first = await get('/api/current');
  expect(await first.json()).toEqual({
    release: expect.any(Number) as number,
    catalogue: expect.any(Number) as number,
  });
  expect((await get('/api/current', { 'if-none-match': first.headers.get('etag')! })).status).toBe(304);
  expect(await (await get('/api/current', {}, emptyAddress)).json()).toMatchObject({ release: null });
  expect((await get(inAddress(cart), {}, emptyAddress)).status).toBe(409);
});
