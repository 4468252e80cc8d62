import type { Operation } from 'rfc6902';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Policy } from '../core/policy/types.ts';
import { call, type Answer, type HttpProblem } from './http.ts';
import type { Edit } from './edits.ts';
import { collides, withPatches } from './rebase.ts';

export interface DraftOnServer {
  revision: number;
  policy: Policy;
  canUndo: string | null;
  canRedo: string | null;
}

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
  /** saved + pending + preview: what every view shows */
  policy: Policy;
  status: 'saved' | 'saving' | 'waiting';
  collision: Collision | null;
  problem: HttpProblem | null;
  /** shows without saving; null ends it */
  show: (edit: Edit | null) => void;
  /** makes an edit: seen at once, saved in the background, undoable */
  edit: (edit: Edit) => void;
  step: (direction: 'undo' | 'redo') => Promise<void>;
  settle: (keep: 'mine' | 'theirs') => void;
  /** asks the server whether there is a newer draft */
  refresh: () => Promise<void>;
  flushed: () => Promise<void>;
  dismissProblem: () => void;
}

export type DraftStore = StoreApi<DraftState>;

const etag = (revision: number) => `"draft-${revision}"`;
const patchType = 'application/json-patch+json';

/** The browser's copy of the draft. @param announce told after each change that reached the server */
export function createDraftStore(initial: DraftOnServer, announce: (revision: number) => void = () => {}): DraftStore {
  let sending: Promise<void> | null = null;
  let retryAfter = 400;

  const store = createStore<DraftState>()((set, get) => {
    const shown = (saved: DraftOnServer, pending: Operation[][], preview: Operation[] | null) => withPatches(saved.policy, preview ? [...pending, preview] : pending);
    const put = (change: Partial<Pick<DraftState, 'saved' | 'pending' | 'preview' | 'status' | 'collision' | 'problem'>>) => {
      const next = { ...get(), ...change };
      set({ ...change, policy: shown(next.saved, next.pending, next.preview) });
    };

    /** Takes a newer draft from the server, putting own edits on top; those that meet a foreign one are asked about. */
    const takeNewer = (newer: DraftOnServer) => {
      const { saved, pending, collision } = get();
      if (newer.revision < saved.revision) return;
      const meeting = pending.find((edit) => collides(edit, saved.policy, newer.policy));
      put({
        saved: newer,
        pending: meeting ? pending.filter((edit) => edit !== meeting) : pending,
        collision: meeting ? { edit: meeting, mine: withPatches(newer.policy, [meeting]), theirs: newer.policy } : collision,
      });
    };

    const sendAll = async (): Promise<void> => {
      while (get().pending.length > 0) {
        const [edit] = get().pending;
        set({ status: 'saving' });
        const answer = await call<DraftOnServer>('PATCH', '/api/draft', { body: edit, etag: etag(get().saved.revision), type: patchType });
        if (answer.ok) {
          retryAfter = 400;
          put({ saved: answer.body, pending: get().pending.filter((other) => other !== edit) });
          announce(answer.body.revision);
        } else if (answer.problem.status === 412 && answer.problem.draft) {
          takeNewer(answer.problem.draft as DraftOnServer);
        } else if (answer.unreachable) {
          set({ status: 'waiting' });
          await new Promise((resolve) => setTimeout(resolve, retryAfter));
          retryAfter = Math.min(retryAfter * 2, 5000);
        } else {
          put({ pending: get().pending.filter((other) => other !== edit), problem: answer.problem });
        }
      }
      set({ status: 'saved' });
    };
    const send = () => {
      sending ??= sendAll().finally(() => (sending = null));
    };

    const stepOnce = (direction: 'undo' | 'redo'): Promise<Answer<DraftOnServer>> => call('POST', `/api/draft/${direction}`, { etag: etag(get().saved.revision) });

    return {
      saved: initial,
      pending: [],
      preview: null,
      policy: initial.policy,
      status: 'saved',
      collision: null,
      problem: null,
      show: (edit) => put({ preview: edit ? edit(withPatches(get().saved.policy, get().pending)) : null }),
      edit: (edit) => {
        const before = withPatches(get().saved.policy, get().pending);
        const patch = edit(before);
        const changesSomething = JSON.stringify(withPatches(before, [patch])) !== JSON.stringify(before);
        put({ pending: changesSomething ? [...get().pending, patch] : get().pending, preview: null });
        send();
      },
      step: async (direction) => {
        put({ preview: null });
        await get().flushed();
        let answer = await stepOnce(direction);
        if (!answer.ok && answer.problem.status === 412 && answer.problem.draft) {
          takeNewer(answer.problem.draft as DraftOnServer);
          answer = await stepOnce(direction);
        }
        if (!answer.ok) return put({ problem: answer.problem });
        takeNewer(answer.body);
        announce(answer.body.revision);
      },
      settle: (keep) => {
        const { collision } = get();
        put({ collision: null });
        if (collision && keep === 'mine') get().edit(() => collision.edit);
      },
      refresh: async () => {
        const answer = await call<DraftOnServer>('GET', '/api/draft');
        if (answer.ok && answer.body.revision > get().saved.revision && !sending) takeNewer(answer.body);
      },
      flushed: async () => {
        while (sending) await sending;
      },
      dismissProblem: () => put({ problem: null }),
    };
  });
  return store;
}
