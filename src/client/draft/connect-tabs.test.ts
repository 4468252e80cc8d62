import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { smallStore } from '../../../tests/support/small-store.ts';
import { setAt } from '../edits/set-at.ts';
import { keepUnsent, takeUnsent } from './connect-tabs.ts';
import { statusOf } from './draft-reducer.ts';
import { createDraftStore } from './draft-store.ts';

/** What a tab keeps between its pages. */
class Storage {
  readonly items = new Map<string, string>();
  readonly getItem = (key: string) => this.items.get(key) ?? null;
  readonly setItem = (key: string, value: string) => void this.items.set(key, value);
  readonly removeItem = (key: string) => void this.items.delete(key);
}

const initial = { revision: 1, policy: smallStore, canUndo: null, canRedo: null };
const name = (value: string) => setAt(['store', 'name'], value);
/** Requests that nobody ever answers. */
const requests: { method: string; path: string }[] = [];

beforeEach(() => {
  requests.length = 0;
  vi.stubGlobal('fetch', (path: string, { method }: { method: string }) => {
    requests.push({ method, path });
    return new Promise(() => {});
  });
});
afterEach(() => vi.unstubAllGlobals());

test('what was not sent, and what was just being typed, is there on the next page and is sent from it', () => {
  const storage = new Storage();
  const before = createDraftStore(initial);
  before.getState().edit(name('First'));
  before.getState().show(setAt(['store', 'origin', 'postcode'], '1234'));
  keepUnsent(before, storage);
  const after = createDraftStore(initial);
  takeUnsent(after, storage);
  expect(after.getState().policy.store).toMatchObject({ name: 'First', origin: { postcode: '1234' } });
  expect(statusOf(after.getState())).toBe('saving');
  expect(requests.filter(({ method }) => method === 'PATCH')).toHaveLength(2);
  expect(storage.items.size).toBe(0);
});

test('a page with nothing to send keeps nothing', () => {
  const storage = new Storage();
  keepUnsent(createDraftStore(initial), storage);
  expect(storage.items.size).toBe(0);
});

test('edits on a draft that has moved on wait until it is known what has changed', () => {
  const storage = new Storage();
  const before = createDraftStore(initial);
  before.getState().edit(name('Mine'));
  keepUnsent(before, storage);
  const after = createDraftStore({ ...initial, revision: 4 });
  requests.length = 0;
  takeUnsent(after, storage);
  expect(requests).toEqual([{ method: 'GET', path: '/api/draft?since=1' }]);
  expect(after.getState().pending).toEqual([]);
  // And outlive another reload meanwhile.
  keepUnsent(after, storage);
  expect(storage.items.size).toBe(1);
});

test('what cannot be read any more is left', () => {
  const storage = new Storage();
  for (const text of ['{', '{"edits":3}', 'null']) {
    storage.setItem('summant-unsent', text);
    const store = createDraftStore(initial);
    takeUnsent(store, storage);
    expect(store.getState().pending).toEqual([]);
  }
});
