import type { Operation } from 'rfc6902';
import { applyToPolicy, patchBetween, samePolicy, withPatches } from '../../core/policy/patch.ts';
import { placesOf } from '../../core/policy/patch-places.ts';
import type { Policy } from '../../core/policy/types.ts';
import { same } from '../../core/same.ts';
import type { HttpProblem } from '../http.ts';
import type { DraftAnswer, Draft } from '../../contract/shapes/draft.ts';
import type {
  Collision,
  DraftEvent,
  DraftModel,
  DraftReply,
  DraftRequest,
  DraftStatus,
  Unsent,
} from './draft-state.ts';
import { rebase } from './rebase.ts';

/** Between tries, ms. */
const firstPause = 400;
const longestPause = 5000;
/** Answers that are no answer, in a row, before an edit is held back. */
const mostFailures = 5;
/** Steps through the history that may wait. */
const mostSteps = 100;

export type Reduced = readonly [state: DraftModel, requests: readonly DraftRequest[]];

export function draftFrom(saved: Draft): DraftModel {
  return {
    saved,
    pending: [],
    perhapsThere: null,
    preview: null,
    settled: saved.policy,
    policy: saved.policy,
    collisions: [],
    problem: null,
    restoring: null,
    steps: [],
    underWay: null,
    news: false,
    reading: false,
    tries: 0,
    failures: 0,
    held: false,
  };
}

export function statusOf({ pending, restoring, underWay, held, tries }: DraftModel): DraftStatus {
  if (pending.length === 0 && !restoring) return 'saved';
  return held || (underWay === 'pause' && tries > 0) ? 'waiting' : 'saving';
}

/** Whether nothing is under way any more and nothing waits to be: what has not been sent is held back. */
export function isAtRest({ pending, restoring, steps, underWay, held }: DraftModel): boolean {
  return underWay === null && !restoring && (held || (pending.length === 0 && steps.length === 0));
}

/** What a page that ends has to keep for the next one; null for nothing. What is just being typed is an edit by then. */
export function unsentOf(state: DraftModel): Unsent | null {
  const { pending, preview, collisions, restoring, saved, perhapsThere, underWay } = state;
  const own = [...pending, ...(preview ? [preview] : [])];
  if (restoring && collisions.length === 0 && own.length === 0) return restoring;
  const edits = [...collisions.map(({ edit }) => edit), ...(restoring?.edits ?? []), ...own];
  if (edits.length === 0) return null;
  // Edits made on different states have no one revision that others' changes could be counted from.
  if (restoring || collisions.length > 0) return { edits, revision: null, perhapsThere: null };
  const sent = underWay === 'send' && pending[0] ? storedFor(saved.policy, pending[0]) : null;
  return { edits, revision: saved.revision, perhapsThere: perhapsThere ?? sent };
}

/**
 * The draft after something has happened, and what is to be done now. Pure: it neither calls the server nor looks at a clock.
 */
export function reduceDraft(state: DraftModel, event: DraftEvent): Reduced {
  switch (event.type) {
    case 'shown':
      return [laid({ ...state, preview: event.patch }), []];
    case 'edited':
      return proceed(edited(state, event.patch));
    case 'stepWanted':
      return proceed(laid({ ...state, preview: null, steps: [...state.steps, event.direction].slice(0, mostSteps) }));
    case 'decided':
      return proceed(decided(state, event.keep));
    case 'unsentFound':
      return proceed(unsentTaken(state, event.unsent));
    case 'newsHeard':
      return proceed({
        ...state,
        news: state.news || event.revision === undefined || event.revision > state.saved.revision,
      });
    case 'newsRead':
      return newsRead({ ...state, reading: false }, event.answer);
    case 'answered':
      return answered(state, event.answer);
    case 'pauseOver':
      return proceed(state.underWay === 'pause' ? { ...state, underWay: null } : state);
    case 'problemMet':
      return [{ ...state, problem: event.problem }, []];
    case 'problemDismissed':
      return [{ ...state, problem: null }, []];
  }
}

/** The policies that follow from the rest; the very same objects where nothing they rest on has changed. */
function laid(state: DraftModel, before: DraftModel = state): DraftModel {
  const untouched = state.saved === before.saved && state.pending === before.pending;
  const settled = untouched ? state.settled : withPatches(state.saved.policy, state.pending);
  return { ...state, settled, policy: state.preview ? withPatches(settled, [state.preview]) : settled };
}

/** What comes next, where nothing is under way. */
function proceed(state: DraftModel): Reduced {
  if (state.underWay) return [state, []];
  const { saved, pending, restoring, steps, held } = state;
  if (restoring) return [{ ...state, underWay: 'changesSince' }, [{ type: 'readSince', revision: restoring.revision }]];
  const [edit] = pending;
  if (edit && !held) return [{ ...state, underWay: 'send' }, [{ type: 'send', edit, revision: saved.revision }]];
  const [direction] = steps;
  if (direction && !edit)
    return [{ ...state, underWay: 'step' }, [{ type: 'step', direction, revision: saved.revision }]];
  if (state.news && !state.reading)
    return [{ ...state, news: false, reading: true }, [{ type: 'readNews', revision: saved.revision }]];
  return [state, []];
}

/** Nothing more until some time has passed: longer after each try. */
function pausing(state: DraftModel): Reduced {
  const ms = Math.min(firstPause * 2 ** state.tries, longestPause);
  return [{ ...state, underWay: 'pause', tries: state.tries + 1 }, [{ type: 'pause', ms }]];
}

function edited(state: DraftModel, patch: Operation[]): DraftModel {
  const settled = withPatches(state.settled, [patch]);
  // What was held back is tried again with it, and with one that changes nothing as well.
  const free = { ...state, preview: null, policy: state.settled, held: false, failures: 0 };
  if (samePolicy(settled, state.settled)) return free;
  return { ...free, pending: [...state.pending, patch], settled, policy: settled };
}

function decided(state: DraftModel, keep: 'mine' | 'theirs'): DraftModel {
  const [collision, ...collisions] = state.collisions;
  if (!collision) return state;
  if (keep === 'theirs') return { ...state, collisions };
  if (applyToPolicy(state.settled, collision.edit).ok) return edited({ ...state, collisions }, collision.edit);
  return { ...state, collisions, problem: noLongerFits };
}

function collisionOf(edit: Operation[], theirs: Policy): Collision {
  return { edit, mine: withPatches(theirs, [edit]), theirs };
}

/** The draft of an answer; null where it builds on another revision than the one here. */
function draftOf(answer: DraftAnswer, saved: Draft): Draft | null {
  if ('policy' in answer) return answer;
  const { since, ...rest } = answer;
  return since.revision === saved.revision ? { ...rest, policy: withPatches(saved.policy, [since.patch]) } : null;
}

/** What the server stores for an edit that falls on a policy: the shortest patch to the same effect. */
function storedFor(policy: Policy, edit: Operation[]): Operation[] | null {
  const outcome = applyToPolicy(policy, edit);
  return outcome.ok ? patchBetween(policy, outcome.policy) : null;
}

const beginsWith = (patch: readonly Operation[], start: readonly Operation[]): boolean =>
  start.length > 0 && patch.length >= start.length && start.every((operation, index) => same(operation, patch[index]));

/**
 * Takes a newer draft from the server, putting own edits on top; those that meet a foreign one are asked about. An edit whose
 * answer was lost and that turns out to be in there already is not made a second time.
 */
function newerTaken(state: DraftModel, newer: Draft, answer: DraftAnswer): DraftModel {
  const { saved, perhapsThere, collisions } = state;
  if (newer.revision <= saved.revision) return state;
  const since = 'since' in answer && answer.since.revision === saved.revision ? answer.since.patch : null;
  const arrived = since !== null && perhapsThere !== null && beginsWith(since, perhapsThere);
  const foreign = arrived ? since.slice(perhapsThere.length) : patchBetween(saved.policy, newer.policy);
  const waiting = arrived ? state.pending.slice(1) : state.pending;
  const { kept, meeting } = rebase(waiting, placesOf(foreign), newer.policy);
  // What was asked before is asked on the newer draft.
  const asked = [...collisions.map(({ edit }) => edit), ...meeting].map((edit) => collisionOf(edit, newer.policy));
  const next = { ...state, saved: newer, pending: kept, perhapsThere: null, collisions: asked };
  return laid(next, state);
}

function newsRead(state: DraftModel, answer: DraftReply): Reduced {
  if (!answer.ok || answer.body.revision <= state.saved.revision) return proceed(state);
  // What is under way builds on the draft of before; the newer one is asked for again afterwards.
  if (state.underWay) return [{ ...state, news: true }, []];
  const newer = draftOf(answer.body, state.saved);
  return newer ? proceed(newerTaken(state, newer, answer.body)) : wanting(state);
}

function unsentTaken(state: DraftModel, unsent: Unsent): DraftModel {
  const { edits, revision, perhapsThere } = unsent;
  if (edits.length === 0) return state;
  if (revision === state.saved.revision) return puttingFirst(state, edits, [], perhapsThere);
  // Where it is not known what others have changed meanwhile, every edit is asked about.
  if (revision === null || state.restoring) return puttingFirst(state, edits, [''], null);
  return { ...state, restoring: { edits, revision, perhapsThere } };
}

/**
 * Edits of an earlier page before those of this one, but for one that is under way already.
 *
 * @param theirs paths that others have changed since they were made
 */
function puttingFirst(
  state: DraftModel,
  edits: readonly Operation[][],
  theirs: readonly string[],
  perhapsThere: Operation[] | null,
): DraftModel {
  const started = state.underWay === 'send' || state.perhapsThere !== null ? 1 : 0;
  const sent = state.pending.slice(0, started);
  const before = withPatches(state.saved.policy, sent);
  const { kept, meeting } = rebase(edits, theirs, before);
  // Those of this page were made without them.
  const own = rebase(state.pending.slice(started), [], withPatches(before, kept));
  const first = started === 0 && kept[0] !== undefined && kept[0] === edits[0];
  const asked = [...meeting, ...own.meeting];
  const next = {
    ...state,
    pending: [...sent, ...kept, ...own.kept],
    perhapsThere: first ? perhapsThere : state.perhapsThere,
    collisions: [...state.collisions, ...asked.map((edit) => collisionOf(edit, state.settled))],
  };
  return laid(next, state);
}

/** An answer to what was under way. */
function answered(state: DraftModel, answer: DraftReply): Reduced {
  const { underWay } = state;
  const free = { ...state, underWay: null };
  switch (underWay) {
    case 'send':
      return answer.ok ? sent(free, answer.body) : notSent(free, answer);
    case 'step':
      return answer.ok ? stepped(free, answer.body) : notStepped(free, answer);
    case 'whole':
      return wholeRead(free, answer);
    case 'changesSince':
      return changesRead(free, answer);
    default:
      return [state, []];
  }
}

function sent(state: DraftModel, answer: DraftAnswer): Reduced {
  const newer = draftOf(answer, state.saved);
  if (!newer) return wanting(state);
  const pending = state.pending.slice(1);
  // What is shown stays the very same object where it is what the server now has: nothing is worked out or drawn again.
  const unchanged = pending.length === 0 && samePolicy(newer.policy, state.settled);
  const saved = unchanged ? { ...newer, policy: state.settled } : newer;
  const next = laid({ ...state, saved, pending, perhapsThere: null, tries: 0, failures: 0 }, state);
  return telling(proceed(next), saved.revision);
}

const telling = ([state, requests]: Reduced, revision: number): Reduced => [
  state,
  [{ type: 'announce', revision }, ...requests],
];

/** What has changed since ours cannot be told from an answer: the whole draft is asked for. */
function wanting(state: DraftModel): Reduced {
  return [{ ...state, underWay: 'whole' }, [{ type: 'readWhole' }]];
}

function notSent(state: DraftModel, { problem, unreachable, unreadable }: Failed): Reduced {
  if (problem.status === 412) return overtaken(state, problem);
  const [edit = []] = state.pending;
  const unclear = { ...state, perhapsThere: state.perhapsThere ?? storedFor(state.saved.policy, edit) };
  if (unreachable) return pausing(unclear);
  if (problem.status === 401) {
    // The session is over: kept until somebody has signed in.
    const detail = 'What you did is kept here, and sent once you have signed in again.';
    return [{ ...unclear, failures: 0, tries: 0, held: true, problem: { ...problem, detail } }, []];
  }
  if (problem.status >= 500 || unreadable) {
    // Not understood, or something is wrong there: tried a few times, then kept until the person does something.
    const failures = state.failures + 1;
    if (failures <= mostFailures) return pausing({ ...unclear, failures });
    const detail = `${problem.detail} What you did is kept here and sent again with your next edit.`;
    return [{ ...unclear, failures: 0, tries: 0, held: true, problem: { ...problem, detail } }, []];
  }
  const pending = state.pending.slice(1);
  return proceed(laid({ ...state, pending, perhapsThere: null, problem, tries: 0, failures: 0 }, state));
}

type Failed = Extract<DraftReply, { ok: false }>;

/** Someone else was there first. */
function overtaken(state: DraftModel, problem: HttpProblem): Reduced {
  const { draft: answer } = problem;
  const newer = answer ? draftOf(answer, state.saved) : null;
  if (!answer || !newer) return wanting(state);
  if (newer.revision <= state.saved.revision) return pausing(state);
  const next = newerTaken(state, newer, answer);
  // The first time at once; whoever is too late again waits a moment.
  return next.tries === 0 ? proceed({ ...next, tries: 1 }) : pausing(next);
}

function wholeRead(state: DraftModel, answer: DraftReply): Reduced {
  const newer = answer.ok ? draftOf(answer.body, state.saved) : null;
  if (!answer.ok || !newer || newer.revision <= state.saved.revision) return pausing(state);
  return pausing(newerTaken(state, newer, answer.body));
}

function stepped(state: DraftModel, answer: DraftAnswer): Reduced {
  const newer = draftOf(answer, state.saved);
  const next = { ...state, steps: state.steps.slice(1), tries: 0 };
  if (!newer) return wanting(next);
  return telling(proceed(newerTaken(next, newer, answer)), newer.revision);
}

function notStepped(state: DraftModel, { problem }: Failed): Reduced {
  if (problem.status === 412 && state.tries < mostFailures) return overtaken(state, problem);
  // A step says nothing of its own that could be lost: the person takes it again, or not.
  return proceed({ ...state, steps: [], problem, news: true, tries: 0 });
}

function changesRead(state: DraftModel, answer: DraftReply): Reduced {
  const { restoring } = state;
  if (!restoring) return proceed(state);
  const worthATry = !answer.ok && (answer.unreachable || answer.unreadable || answer.problem.status >= 500);
  if (worthATry && state.tries < mostFailures) return pausing(state);
  const next = { ...state, restoring: null, news: true, tries: 0 };
  const since = answer.ok && 'since' in answer.body ? answer.body.since.patch : null;
  if (!since) return proceed(puttingFirst(next, restoring.edits, [''], null));
  const { edits, perhapsThere } = restoring;
  const arrived = perhapsThere !== null && beginsWith(since, perhapsThere);
  const [waiting, foreign] = arrived ? [edits.slice(1), since.slice(perhapsThere.length)] : [edits, since];
  return proceed(puttingFirst(next, waiting, placesOf(foreign), null));
}

const noLongerFits: HttpProblem = {
  status: 0,
  title: 'Your change no longer fits',
  detail: 'What it was made on has been taken away meanwhile. Everything else you did is kept.',
};
