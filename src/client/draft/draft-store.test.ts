import type { Operation } from 'rfc6902';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { smallStore } from '../../../tests/support/small-store.ts';
import { withPatches } from '../../core/policy/patch.ts';
import { targetIn } from '../../core/offers/target.ts';
import type { Policy } from '../../core/policy/types.ts';
import { statusOf } from './draft-reducer.ts';
import { createDraftStore, type DraftStore } from './draft-store.ts';
import { setTarget } from '../edits/edits.ts';
import { setAt } from '../edits/set-at.ts';

const goal = (market: string, minor: number) => setTarget('free-delivery', 'first', market, minor);
const name = (value: string) => setAt(['store', 'name'], value);

/** A server with a draft, which others can edit and which can be made to fail. */
class Server {
  revision = 1;
  policy: Policy = smallStore;
  patches: Operation[][] = [];
  requests: string[] = [];
  /** answers instead of the server's, taken one by one */
  instead: (() => Response)[] = [];
  /** GET /api/draft fails */
  hidden = false;

  edit(...edits: ((policy: Policy) => Operation[])[]): void {
    for (const edit of edits) {
      const patch = edit(this.policy);
      this.policy = withPatches(this.policy, [patch]);
      this.patches.push(patch);
      this.revision++;
    }
  }

  readonly fetch = async (
    path: string,
    init: { method: string; headers: Record<string, string>; body?: string },
  ): Promise<Response> => {
    this.requests.push(`${init.method} ${path}`);
    const instead = this.instead.shift();
    if (instead) return instead();
    const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
    const since = (from: number) => ({
      revision: this.revision,
      canUndo: null,
      canRedo: null,
      since: { revision: from, patch: this.patches.slice(from - 1).flat() },
    });
    if (init.method === 'GET' && this.hidden) return json({ status: 503, title: 'away', detail: '' }, 503);
    if (init.method === 'GET' && path.includes('since=')) return json(since(Number(path.split('since=')[1])));
    if (init.method === 'GET')
      return json({ revision: this.revision, policy: this.policy, canUndo: null, canRedo: null });
    const seen = Number(/\d+/.exec(init.headers['if-match']!)![0]);
    if (seen !== this.revision)
      return json(
        {
          status: 412,
          title: 'moved on',
          detail: '',
          draft: this.hidden ? { revision: this.revision, since: { revision: 0, patch: [] } } : since(seen),
        },
        412,
      );
    this.edit(() => JSON.parse(init.body!) as Operation[]);
    return json(since(seen));
  };
}

let server: Server;
let store: DraftStore;
const state = () => store.getState();
const nlbe = (policy: Policy) => targetIn(policy, 'free-delivery', 'first', 'nlbe');
const uk = (policy: Policy) => targetIn(policy, 'free-delivery', 'first', 'uk');
/** Lets pauses pass until nothing is under way any more. */
const settle = async () => {
  for (let turn = 0; turn < 400; turn++) await vi.advanceTimersByTimeAsync(100);
};

beforeEach(() => {
  vi.useFakeTimers();
  server = new Server();
  vi.stubGlobal('fetch', server.fetch);
  store = createDraftStore({ revision: 1, policy: smallStore, canUndo: null, canRedo: null });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('edits that meet someone else’s', () => {
  test('two waiting edits whose places both changed are both asked about, and neither overwrites', async () => {
    server.edit(goal('nlbe', 1111), goal('uk', 2222));
    state().edit(goal('nlbe', 5000));
    state().edit(goal('uk', 6000));
    await settle();
    expect([nlbe(server.policy), uk(server.policy)]).toEqual([1111, 2222]);
    expect(state().collisions.map(({ mine }) => [nlbe(mine), uk(mine)])).toEqual([
      [5000, 2222],
      [1111, 6000],
    ]);
    state().decide('mine');
    state().decide('theirs');
    await settle();
    expect([nlbe(server.policy), uk(server.policy), state().collisions.length]).toEqual([5000, 2222, 0]);
  });
  test('a later collision does not replace one that is still open', async () => {
    server.edit(goal('nlbe', 1111));
    state().edit(goal('nlbe', 5000));
    await settle();
    server.edit(goal('uk', 2222));
    state().edit(goal('uk', 6000));
    await settle();
    expect(state().collisions).toHaveLength(2);
    expect(nlbe(state().collisions[0]!.mine)).toBe(5000);
  });
  test('an edit made on top of one that is held back waits with it', async () => {
    server.edit(goal('nlbe', 1111));
    state().edit(goal('nlbe', 5000));
    state().edit(goal('nlbe', 5500));
    state().edit(name('Other'));
    await settle();
    expect([nlbe(server.policy), server.policy.store.name]).toEqual([1111, 'Other']);
    expect(state().collisions.map(({ mine }) => nlbe(mine))).toEqual([5500]);
  });
  test('edits of other places go through', async () => {
    server.edit(goal('uk', 2222));
    state().edit(goal('nlbe', 5000));
    await settle();
    expect([nlbe(server.policy), uk(server.policy), state().collisions.length]).toEqual([5000, 2222, 0]);
    expect(statusOf(state())).toBe('saved');
  });
  test('edits of an earlier page are asked about where others changed the same meanwhile', async () => {
    server.edit(goal('nlbe', 1111));
    store = createDraftStore({ revision: 2, policy: server.policy, canUndo: null, canRedo: null });
    state().restore({
      edits: [goal('nlbe', 5000)(smallStore), name('Kept')(smallStore)],
      revision: 1,
      perhapsThere: null,
    });
    await settle();
    expect([nlbe(server.policy), server.policy.store.name]).toEqual([1111, 'Kept']);
    expect(state().collisions).toHaveLength(1);
  });
});

describe('answers that are none', () => {
  test('after a 412 whose draft cannot be fetched, the next try waits', async () => {
    server.edit(goal('uk', 2222));
    server.hidden = true;
    state().edit(goal('nlbe', 5000));
    await vi.advanceTimersByTimeAsync(5000);
    expect(server.requests.filter((request) => request.startsWith('PATCH')).length).toBeLessThan(12);
    expect(state().pending).toHaveLength(1);
    server.hidden = false;
    await settle();
    expect(nlbe(server.policy)).toBe(5000);
  });
  test.each([
    ['a page of a proxy', () => new Response('<html>hello</html>', { status: 200 })],
    ['an error without a body', () => new Response('', { status: 500 })],
    ['an answer cut off', () => new Response('{"revision":', { status: 200 })],
  ])('%s is not asked for again without end, and the edit is kept', async (_, instead) => {
    server.instead = Array.from({ length: 100 }, () => instead);
    state().edit(goal('nlbe', 5000));
    await settle();
    expect(server.requests.length).toBeLessThan(10);
    expect(state().pending).toHaveLength(1);
    expect(state().problem?.detail).toContain('kept');
    server.instead = [];
    state().edit(name('Next'));
    await settle();
    expect([nlbe(server.policy), server.policy.store.name, state().pending.length]).toEqual([5000, 'Next', 0]);
  });
  test('while nobody answers it is tried with growing pauses', async () => {
    server.instead = Array.from({ length: 1000 }, () => () => {
      throw new TypeError('unreachable');
    });
    state().edit(goal('nlbe', 5000));
    await vi.advanceTimersByTimeAsync(30_000);
    expect(server.requests.length).toBeGreaterThan(4);
    expect(server.requests.length).toBeLessThan(25);
    server.instead = [];
    await settle();
    expect(nlbe(server.policy)).toBe(5000);
  });
});
