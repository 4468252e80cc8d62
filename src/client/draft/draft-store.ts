import { createStore, type StoreApi } from 'zustand/vanilla';
import { faultInWords } from '../../core/checks/fault-in-words.ts';
import { beyondLimit, type MarketLimit } from '../../core/people/market-limit.ts';
import { withPatches } from '../../core/policy/patch.ts';
import { checkReferences } from '../../core/checks/references/check-references.ts';
import type { Edit } from '../edits/edit.ts';
import { call } from '../http.ts';
import { draftFrom, isAtRest, reduceDraft, unsentOf } from './draft-reducer.ts';
import type { Draft } from '../../contract/shapes/draft.ts';
import type { Direction, DraftEvent, DraftModel, DraftReply, DraftRequest, Unsent } from './draft-state.ts';

/** The draft as views select from it, and what they can do with it. */
export interface DraftState extends DraftModel {
  /** shows without saving; null ends it */
  show: (edit: Edit | null) => void;
  /**
   * Makes an edit: seen at once, saved in the background, undoable. One that would leave the draft wrong is not made.
   * @returns why it was not, in words; null when it was
   */
  edit: (edit: Edit) => string | null;
  step: (direction: Direction) => void;
  /** decides the oldest collision */
  decide: (keep: 'mine' | 'theirs') => void;
  /** takes up edits that an earlier page could not send */
  restore: (unsent: Unsent) => void;
  /** what has to outlive this page */
  unsent: () => Unsent | null;
  /** asks the server whether there is a newer draft. @param revision known to be there; any when absent */
  refresh: (revision?: number) => void;
  /** once everything has been sent or is held back: what the server has then */
  flushed: () => Promise<Draft>;
  refuse: (reason: string) => void;
  dismissProblem: () => void;
}

export type DraftStore = StoreApi<DraftState>;

/** What the person may edit. */
export interface Editing {
  /** why nothing, in words; null: may */
  mayNot: string | null;
  markets: MarketLimit;
}

const changesSince = (revision: number) => call('GET /api/draft', { query: { since: String(revision) } });

/**
 * The browser's copy of the draft: performs what the reducer asks for.
 * @param announce told after each change that reached the server
 */
export function createDraftStore(
  initial: Draft,
  announce: (revision: number) => void = () => {},
  { mayNot, markets }: Editing = { mayNot: null, markets: null },
): DraftStore {
  let waiting: ((saved: Draft) => void)[] = [];

  return createStore<DraftState>()((set, get) => {
    const dispatch = (event: DraftEvent): void => {
      const [model, requests] = reduceDraft(get(), event);
      set(model);
      for (const request of requests) perform(request);
      if (waiting.length > 0 && isAtRest(get())) {
        const rested = waiting;
        waiting = [];
        for (const rest of rested) rest(get().saved);
      }
    };
    const answered = (reply: Promise<DraftReply>) =>
      void reply.then((answer) => dispatch({ type: 'answered', answer }));
    const perform = (request: DraftRequest): void => {
      switch (request.type) {
        case 'send': {
          const { edit: body, revision } = request;
          return answered(call('PATCH /api/draft', { body, revision, changesOnly: true }));
        }
        case 'step': {
          const { direction, revision } = request;
          return answered(call(`POST /api/draft/${direction}`, { revision, changesOnly: true }));
        }
        case 'readWhole':
          return answered(call('GET /api/draft'));
        case 'readSince':
          return answered(changesSince(request.revision));
        case 'readNews':
          void changesSince(request.revision).then((answer) => dispatch({ type: 'newsRead', answer }));
          return;
        case 'pause':
          setTimeout(() => dispatch({ type: 'pauseOver' }), request.ms * (0.5 + Math.random()));
          return;
        case 'announce':
          return announce(request.revision);
      }
    };
    const edit = (wanted: Edit): string | null => {
      if (mayNot !== null) {
        // What was tried is not kept, and no longer shown.
        dispatch({ type: 'shown', patch: null });
        return mayNot;
      }
      const { settled } = get();
      const patch = wanted(settled);
      const next = withPatches(settled, [patch]);
      const [fault] = checkReferences(next, settled);
      if (fault) return `${faultInWords(fault, next)}. Nothing was changed.`;
      const beyond = beyondLimit(settled, next, markets);
      if (beyond !== null) {
        dispatch({ type: 'shown', patch: null });
        return beyond;
      }
      dispatch({ type: 'edited', patch });
      return null;
    };
    const problemMet = (title: string, detail: string) =>
      dispatch({ type: 'problemMet', problem: { status: 0, title, detail } });
    return {
      ...draftFrom(initial),
      show: (shown) => dispatch({ type: 'shown', patch: shown ? shown(get().settled) : null }),
      edit,
      step: (direction) =>
        mayNot === null ? dispatch({ type: 'stepWanted', direction }) : problemMet('This was not changed', mayNot),
      decide: (keep) => dispatch({ type: 'decided', keep }),
      restore: (unsent) => dispatch({ type: 'unsentFound', unsent }),
      unsent: () => unsentOf(get()),
      refresh: (revision) => dispatch({ type: 'newsHeard', ...(revision === undefined ? {} : { revision }) }),
      flushed: () => (isAtRest(get()) ? Promise.resolve(get().saved) : new Promise((resolve) => waiting.push(resolve))),
      refuse: (reason) => problemMet('This was not changed', reason),
      dismissProblem: () => dispatch({ type: 'problemDismissed' }),
    };
  });
}
