import type { Operation } from 'rfc6902';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { applyToPolicy, patchBetween, samePolicy, withPatches } from '../core/policy/patch.ts';
import type { Policy } from '../core/policy/types.ts';
import { call, type Answer, type HttpProblem } from './http.ts';
import type { Edit } from './edit.ts';
import { rebase } from './rebase.ts';

export interface DraftOnServer {
  revision: number;
  policy: Policy;
  canUndo: string | null;
  canRedo: string | null;
}

/** What the server answers to whoever has the draft of before. */
type DraftAnswer =
  DraftOnServer | (Omit<DraftOnServer, 'policy'> & { since: { revision: number; patch: Operation[] } });

/** An edit that met someone else's in the same place; the person decides. */
export interface Collision {
  edit: Operation[];
  /** the policy as each would have it */
  mine: Policy;
  theirs: Policy;
}

export interface DraftState {
  /** what the server has confirmed */
  saved: DraftOnServer;
  /** edits on their way, oldest first */
  pending: Operation[][];
  /** what is being dragged or typed and not yet an edit */
  preview: Operation[] | null;
  /** saved + pending: what the next edit falls on */
  settled: Policy;
  /** saved + pending + preview: what every view shows */
  policy: Policy;
  status: 'saved' | 'saving' | 'waiting';
  /** the oldest first; each waits for the person's decision */
  collisions: readonly Collision[];
  problem: HttpProblem | null;
  /** shows without saving; null ends it */
  show: (edit: Edit | null) => void;
  /** makes an edit: seen at once, saved in the background, undoable */
  edit: (edit: Edit) => void;
  step: (direction: 'undo' | 'redo') => Promise<void>;
  /** decides the oldest collision */
  settle: (keep: 'mine' | 'theirs') => void;
  /** takes up edits that an earlier page could not send, made on a draft of that revision */
  restore: (edits: Operation[][], revision: number) => Promise<void>;
  /** asks the server whether there is a newer draft */
  refresh: () => Promise<void>;
  /** once everything has been sent or is held back: what the server has then */
  flushed: () => Promise<DraftOnServer>;
  dismissProblem: () => void;
}

export type DraftStore = StoreApi<DraftState>;

const etag = (revision: number) => `"draft-${revision}"`;
/** RFC 7240: the draft of before is here, so what has changed is enough. */
const changesOnly = 'return=minimal';
const patchType = 'application/json-patch+json';

/** Between tries, ms. */
const firstPause = 400;
const longestPause = 5000;
/** Answers that are no answer, in a row, before an edit is held back. */
const mostFailures = 5;

/** The browser's copy of the draft. @param announce told after each change that reached the server */
export function createDraftStore(initial: DraftOnServer, announce: (revision: number) => void = () => {}): DraftStore {
  let sending: Promise<void> | null = null;
  let retryAfter = firstPause;

  const store = createStore<DraftState>()((set, get) => {
    const put = (
      change: Partial<Pick<DraftState, 'saved' | 'pending' | 'preview' | 'status' | 'collisions' | 'problem'>>,
    ) => {
      const next = { ...get(), ...change };
      const same = next.saved === get().saved && next.pending === get().pending;
      const settled = same ? get().settled : withPatches(next.saved.policy, next.pending);
      set({ ...change, settled, policy: next.preview ? withPatches(settled, [next.preview]) : settled });
    };

    /** The draft of an answer; null where it builds on another revision than the one here. */
    const draftOf = (answer: DraftAnswer): DraftOnServer | null => {
      if ('policy' in answer) return answer;
      const { saved } = get();
      const { since, ...rest } = answer;
      return since.revision === saved.revision ? { ...rest, policy: withPatches(saved.policy, [since.patch]) } : null;
    };
    const wholeDraft = async (): Promise<DraftOnServer | null> => {
      const answer = await call<DraftOnServer>('GET', '/api/draft');
      return answer.ok ? answer.body : null;
    };
    const newerDraft = async (answer: DraftAnswer): Promise<DraftOnServer | null> =>
      draftOf(answer) ?? (await wholeDraft());

    const collisionOf = (edit: Operation[], theirs: Policy): Collision => ({
      edit,
      mine: withPatches(theirs, [edit]),
      theirs,
    });

    /** Takes a newer draft from the server, putting own edits on top; those that meet a foreign one are asked about. */
    const takeNewer = (newer: DraftOnServer) => {
      const { saved, pending, collisions } = get();
      if (newer.revision < saved.revision) return;
      const { kept, meeting } = rebase(
        pending,
        patchBetween(saved.policy, newer.policy).map(({ path }) => path),
        newer.policy,
      );
      // What was asked before is asked on the newer draft.
      const asked = collisions.map(({ edit }) => collisionOf(edit, newer.policy));
      put({
        saved: newer,
        pending: kept,
        collisions: [...asked, ...meeting.map((edit) => collisionOf(edit, newer.policy))],
      });
    };

    /** Waits before the next try: longer each time, and of random length, so that several writers do not meet again and again. */
    const pause = async () => {
      await new Promise((resolve) => setTimeout(resolve, retryAfter * (0.5 + Math.random())));
      retryAfter = Math.min(retryAfter * 2, longestPause);
    };

    const sendAll = async (): Promise<void> => {
      let failures = 0;
      while (get().pending.length > 0) {
        const [edit] = get().pending;
        set({ status: 'saving' });
        const answer = await call<DraftAnswer>('PATCH', '/api/draft', {
          body: edit,
          etag: etag(get().saved.revision),
          type: patchType,
          prefer: changesOnly,
        });
        if (answer.ok) {
          retryAfter = firstPause;
          failures = 0;
          const saved = (await newerDraft(answer.body)) ?? get().saved;
          const pending = get().pending.filter((other) => other !== edit);
          // What is shown stays the very same object where it is what the server now has: nothing is worked out or drawn again.
          const shown =
            pending.length === 0 && samePolicy(saved.policy, get().settled)
              ? { ...saved, policy: get().settled }
              : saved;
          put({ saved: shown, pending });
          announce(answer.body.revision);
        } else if (answer.problem.status === 412) {
          const newer = answer.problem.draft
            ? await newerDraft(answer.problem.draft as DraftAnswer)
            : await wholeDraft();
          if (newer && newer.revision > get().saved.revision) {
            takeNewer(newer);
            // The first time at once; whoever is too late again waits a moment.
            if (failures++ > 0) await pause();
          } else {
            set({ status: 'waiting' });
            await pause();
          }
        } else if (answer.unreachable) {
          set({ status: 'waiting' });
          await pause();
        } else if (answer.problem.status >= 500 || answer.unreadable) {
          // Not understood, or something is wrong there: tried a few times, then kept until the person does something.
          if (++failures > mostFailures)
            return put({
              status: 'waiting',
              problem: {
                ...answer.problem,
                detail: `${answer.problem.detail} What you did is kept here and sent again with your next edit.`,
              },
            });
          set({ status: 'waiting' });
          await pause();
        } else {
          put({ pending: get().pending.filter((other) => other !== edit), problem: answer.problem });
        }
      }
      set({ status: 'saved' });
    };
    const send = () => {
      sending ??= sendAll().finally(() => (sending = null));
    };

    const stepOnce = (direction: 'undo' | 'redo'): Promise<Answer<DraftAnswer>> =>
      call('POST', `/api/draft/${direction}`, { etag: etag(get().saved.revision), prefer: changesOnly });

    return {
      saved: initial,
      pending: [],
      preview: null,
      settled: initial.policy,
      policy: initial.policy,
      status: 'saved',
      collisions: [],
      problem: null,
      show: (edit) => put({ preview: edit ? edit(get().settled) : null }),
      edit: (edit) => {
        const before = get().settled;
        const patch = edit(before);
        const changesSomething = !samePolicy(withPatches(before, [patch]), before);
        put({ pending: changesSomething ? [...get().pending, patch] : get().pending, preview: null });
        send();
      },
      step: async (direction) => {
        put({ preview: null });
        await get().flushed();
        let answer = await stepOnce(direction);
        if (!answer.ok && answer.problem.status === 412 && answer.problem.draft) {
          const newer = await newerDraft(answer.problem.draft as DraftAnswer);
          if (newer) takeNewer(newer);
          answer = await stepOnce(direction);
        }
        if (!answer.ok) return put({ problem: answer.problem });
        const stepped = await newerDraft(answer.body);
        if (stepped) takeNewer(stepped);
        announce(answer.body.revision);
      },
      settle: (keep) => {
        const [collision, ...others] = get().collisions;
        if (!collision) return;
        put({ collisions: others });
        if (keep === 'theirs') return;
        if (applyToPolicy(get().settled, collision.edit).ok) get().edit(() => collision.edit);
        else
          put({
            problem: {
              status: 0,
              title: 'Your change no longer fits',
              detail: 'What it was made on has been taken away meanwhile. Everything else you did is kept.',
            },
          });
      },
      restore: async (edits, revision) => {
        if (edits.length === 0) return;
        const { saved } = get();
        // What others changed since the page that they were made on; where that is not known, every edit is asked about.
        const answer =
          revision === saved.revision ? null : await call<DraftAnswer>('GET', `/api/draft?since=${revision}`);
        const between = answer?.ok && 'since' in answer.body ? answer.body.since.patch.map(({ path }) => path) : null;
        const theirs = answer === null ? [] : (between ?? ['']);
        const here = get().settled;
        const { kept, meeting } = rebase(edits, theirs, here);
        put({
          pending: [...kept, ...get().pending],
          collisions: [...get().collisions, ...meeting.map((edit) => collisionOf(edit, here))],
        });
        send();
      },
      refresh: async () => {
        const answer = await call<DraftAnswer>('GET', `/api/draft?since=${get().saved.revision}`);
        if (!answer.ok || sending || answer.body.revision <= get().saved.revision) return;
        const newer = await newerDraft(answer.body);
        if (newer && !sending) takeNewer(newer);
      },
      flushed: async () => {
        while (sending) await sending;
        return get().saved;
      },
      dismissProblem: () => put({ problem: null }),
    };
  });
  return store;
}
