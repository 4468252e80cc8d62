import type { Operation } from 'rfc6902';
import { describe, expect, test } from 'vitest';
import { withPatches } from '../../src/core/policy/patch.ts';
import type { HistoricEdit } from '../../src/contract/shapes/draft.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { startApplication } from '../support/application.ts';
import {
  call,
  etagOf,
  goalOf,
  goalPath,
  patchDraft,
  readDraft,
  setGoal,
  type DraftBody,
  type ProblemBody,
} from '../support/api.ts';
import { address, databaseUrl } from '../support/server-here.ts';

/** Makes a call that must be refused, and checks that the draft is as it was. */
async function refused(
  status: number,
  make: (revision: number) => ReturnType<typeof call<ProblemBody>>,
): Promise<ProblemBody> {
  const before = await readDraft(address);
  const reply = await make(before.revision);
  expect([reply.status, reply.type]).toEqual([status, 'application/problem+json']);
  expect(reply.body.detail.length).toBeGreaterThan(10);
  expect(await readDraft(address)).toEqual(before);
  return reply.body;
}

const patch = (revision: number, options: Parameters<typeof call>[3]) =>
  call<ProblemBody>(address, 'PATCH', '/api/draft', {
    ...options,
    headers: { 'if-match': etagOf(revision), ...options?.headers },
  });

describe('an edit', () => {
  test('is applied, numbered and can be undone and redone', async () => {
    const before = await readDraft(address);
    const edited = await patchDraft(address, before.revision, setGoal('nlbe', 8000));
    expect(edited).toMatchObject({
      status: 200,
      etag: etagOf(before.revision + 1),
      body: {
        revision: before.revision + 1,
        canRedo: null,
        canUndo: 'Goal of “Free delivery” in Netherlands & Belgium: €75.00 becomes €80.00',
      },
    });
    expect(goalOf(edited.body.policy, 'nlbe')).toBe(8000);
    const undone = await call<DraftBody>(address, 'POST', '/api/draft/undo', { headers: { 'if-match': edited.etag! } });
    expect(undone.body.policy).toEqual(before.policy);
    expect(undone.body.canRedo).toBe('Goal of “Free delivery” in Netherlands & Belgium: €75.00 becomes €80.00');
    const redone = await call<DraftBody>(address, 'POST', '/api/draft/redo', { headers: { 'if-match': undone.etag! } });
    expect(goalOf(redone.body.policy, 'nlbe')).toBe(8000);
    const again = await call<DraftBody>(address, 'POST', '/api/draft/undo', { headers: { 'if-match': redone.etag! } });
    expect(again.body.policy).toEqual(before.policy);
  });

  test('is told in the history of its offer, with what it changed, and of no other', async () => {
    const before = await readDraft(address);
    const edited = await patchDraft(address, before.revision, setGoal('uk', 6600));
    const history = async (query: string) =>
      (await call<{ edits: HistoricEdit[]; complete: boolean }>(address, 'GET', `/api/draft/history?${query}`)).body;
    const change = { subject: 'Goal of “Free delivery” in United Kingdom', before: '£70.00', after: '£66.00' };
    expect((await history('offer=free-delivery')).edits[0]).toMatchObject({
      revision: before.revision + 1,
      kind: 'edit',
      state: 'done',
      changes: [change],
    });
    expect((await history('offer=free-delivery&language=de-DE')).edits[0]).toMatchObject({
      changes: [{ before: '70,00\u00a0£' }],
    });
    expect((await history('offer=two-steps')).edits.map(({ revision }) => revision)).not.toContain(before.revision + 1);
    await call(address, 'POST', '/api/draft/undo', { headers: { 'if-match': edited.etag! } });
    const [undo, undone, ...older] = (await history('offer=free-delivery')).edits;
    expect([undo!.kind, undo!.changes[0]!.after, undone!.state]).toEqual(['undo', '£70.00', 'undone']);
    expect([older.at(-1)!.kind, (await history('offer=no-such-offer')).edits]).toEqual(['found', []]);
    expect((await call(address, 'GET', '/api/draft/history')).status).toBe(422);
  });

  test('stands on the store as it was loaded: undo does not go behind that', async () => {
    const draft = await readDraft(address);
    expect(draft.canUndo).toBeNull();
    expect(
      (await call<DraftBody>(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(draft.revision) } }))
        .body,
    ).toEqual(draft);
  });

  test('after an undo drops what could have been redone', async () => {
    let draft = await readDraft(address);
    for (const amount of [5100, 5200]) draft = (await patchDraft(address, draft.revision, setGoal('uk', amount))).body;
    draft = (
      await call<DraftBody>(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(draft.revision) } })
    ).body;
    draft = (await patchDraft(address, draft.revision, setGoal('uk', 5300))).body;
    expect(draft.canRedo).toBeNull();
    draft = (
      await call<DraftBody>(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(draft.revision) } })
    ).body;
    expect(goalOf(draft.policy, 'uk')).toBe(5100);
    draft = (
      await call<DraftBody>(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(draft.revision) } })
    ).body;
    expect(goalOf(draft.policy, 'uk')).toBe(7000);
  });

  test('that changes nothing leaves no trace in the history', async () => {
    const before = await readDraft(address);
    expect((await patchDraft(address, before.revision, setGoal('nlbe', goalOf(before.policy, 'nlbe')))).body).toEqual(
      before,
    );
  });

  test('made by many at once on one revision is accepted once', async () => {
    const { revision } = await readDraft(address);
    const replies = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        patchDraft<DraftBody & ProblemBody>(address, revision, setGoal('nlbe', 6000 + i)),
      ),
    );
    expect(replies.filter(({ status }) => status === 200)).toHaveLength(1);
    expect(replies.filter(({ status, body }) => status === 412 && body.draft?.revision === revision + 1)).toHaveLength(
      11,
    );
    await call(address, 'POST', '/api/draft/undo', { headers: { 'if-match': etagOf(revision + 1) } });
  });
});

describe('an edit is refused with a clear error and nothing changes', () => {
  test('a stale ETag: the newer draft comes along', async () => {
    const body = await refused(412, (revision) => patch(revision - 1, { body: setGoal('nlbe', 1) }));
    expect(body.draft).toEqual(await readDraft(address));
  });
  test('no ETag', () => refused(428, () => call(address, 'PATCH', '/api/draft', { body: setGoal('nlbe', 1) })));
  test('a malformed ETag', () =>
    refused(400, () =>
      call(address, 'PATCH', '/api/draft', { body: setGoal('nlbe', 1), headers: { 'if-match': '*' } }),
    ));
  test('not JSON', async () =>
    expect((await refused(400, (revision) => patch(revision, { raw: '[{"op":' }))).title).toMatch(/not JSON/));
  test('another content type', () =>
    refused(415, (revision) => patch(revision, { raw: 'a=b', headers: { 'content-type': 'text/plain' } })));
  test('a huge body', () =>
    refused(413, (revision) =>
      patch(revision, { raw: JSON.stringify([{ op: 'replace', path: '/store/name', value: 'x'.repeat(4_300_000) }]) }),
    ));
  test('a deep body', () =>
    refused(400, (revision) =>
      patch(revision, { raw: `[{"op":"add","path":"/x","value":${'['.repeat(200)}${']'.repeat(200)}}]` }),
    ));
  test('not a patch', async () =>
    expect((await refused(422, (revision) => patch(revision, { body: { op: 'replace' } }))).fields).toEqual([
      { pointer: '', message: 'must be array' },
    ]));
  test('an operation that does not exist', () =>
    refused(422, (revision) => patch(revision, { body: [{ op: 'increment', path: goalPath('nlbe'), value: 1 }] })));
  test.each([
    ['-1', -1],
    ['a fraction', 60.5],
    ['text', '6000'],
    ['nothing', null],
  ])('a goal that is %s', async (_, value) => {
    const { fields } = await refused(422, (revision) => patch(revision, { body: setGoal('nlbe', value) }));
    expect(fields![0]!.pointer).toBe(goalPath('nlbe'));
  });
  test('unknown ids', async () => {
    const reward = await refused(422, (revision) =>
      patch(revision, { body: [{ op: 'replace', path: '/options/nlbe-door/zone', value: 'moon' }] }),
    );
    expect(reward.fields).toEqual([{ pointer: '/options/nlbe-door/zone', message: 'there is no zone "moon"' }]);
    await refused(422, (revision) =>
      patch(revision, { body: [{ op: 'replace', path: '/offers/unknown/on', value: true }] }),
    );
  });
  test('a way into object prototypes', async () => {
    await refused(422, (revision) => patch(revision, { raw: '[{"op":"add","path":"/__proto__/polluted","value":1}]' }));
    await refused(422, (revision) =>
      patch(revision, { raw: '[{"op":"add","path":"/constructor/prototype/polluted","value":1}]' }),
    );
  });
  test('a patch whose second half fails is not applied by half', () =>
    refused(422, (revision) =>
      patch(revision, { body: [...setGoal('nlbe', 4321), { op: 'remove', path: '/offers/unknown' }] }),
    ));
  test('another site’s page', async () => {
    await refused(403, (revision) =>
      patch(revision, { body: setGoal('nlbe', 1), headers: { origin: 'https://elsewhere.example.com' } }),
    );
    await refused(403, (revision) =>
      patch(revision, { body: setGoal('nlbe', 1), headers: { 'sec-fetch-site': 'cross-site' } }),
    );
  });
});

test('an unchanged draft is not sent again', async () => {
  const { revision } = await readDraft(address);
  const response = await fetch(`${address}/api/draft`, { headers: { 'if-none-match': etagOf(revision) } });
  expect(response.status).toBe(304);
});

describe('who has the draft of before', () => {
  const changesOnly = { prefer: 'return=minimal' };
  interface Changes {
    revision: number;
    since: { revision: number; patch: Operation[] };
    policy?: Policy;
  }
  test('is answered with what has changed, by an edit, an undo and a question', async () => {
    const before = await readDraft(address);
    const edited = await call<Changes>(address, 'PATCH', '/api/draft', {
      body: setGoal('nlbe', 8100),
      headers: { 'if-match': etagOf(before.revision), 'content-type': 'application/json-patch+json', ...changesOnly },
    });
    expect(edited.body).toMatchObject({ revision: before.revision + 1, since: { revision: before.revision } });
    expect(edited.body.policy).toBeUndefined();
    expect(goalOf(withPatches(before.policy, [edited.body.since.patch]), 'nlbe')).toBe(8100);
    const asked = await call<Changes>(address, 'GET', `/api/draft?since=${before.revision}`);
    expect(withPatches(before.policy, [asked.body.since.patch])).toEqual((await readDraft(address)).policy);
    const undone = await call<Changes>(address, 'POST', '/api/draft/undo', {
      headers: { 'if-match': etagOf(edited.body.revision), ...changesOnly },
    });
    expect(withPatches(before.policy, [edited.body.since.patch, undone.body.since.patch])).toEqual(before.policy);
  });
  test('too far back, the whole draft comes', async () =>
    expect((await call<Changes>(address, 'GET', '/api/draft?since=99999999')).body.policy).toBeDefined());
  test('with an edit on an old revision: refused, with what has changed since', async () => {
    const before = await readDraft(address);
    const one = await patchDraft(address, before.revision, setGoal('nlbe', 8200));
    const late = await call<{ draft: Changes }>(address, 'PATCH', '/api/draft', {
      body: setGoal('uk', 8200),
      headers: { 'if-match': etagOf(before.revision), 'content-type': 'application/json-patch+json', ...changesOnly },
    });
    expect(late.status).toBe(412);
    expect(late.body.draft).toMatchObject({ revision: one.body.revision, since: { revision: before.revision } });
    await patchDraft(address, one.body.revision, setGoal('nlbe', goalOf(before.policy, 'nlbe')));
  });
});

test('a hundred edits on, another process reads the same draft from the last snapshot and the edits since', async () => {
  let { revision, policy } = await readDraft(address);
  const first = goalOf(policy, 'nlbe')!;
  for (let step = 1; step <= 100; step++)
    ({ revision, policy } = (await patchDraft(address, revision, setGoal('nlbe', first + step))).body);
  expect(goalOf(policy, 'nlbe')).toBe(first + 100);
  const second = await startApplication({ DATABASE_URL: databaseUrl }, ['--empty']);
  try {
    expect((await readDraft(second.address)).policy).toEqual(policy);
    const there = await patchDraft(second.address, revision, setGoal('nlbe', first));
    expect(there.status).toBe(200);
    expect((await readDraft(address)).policy).toEqual(there.body.policy);
  } finally {
    await second.stop();
  }
});
