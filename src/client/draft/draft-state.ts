import type { Operation } from 'rfc6902';
import type { Draft, DraftAnswer } from '../../contract/shapes/draft.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { Answer, HttpProblem } from '../http.ts';

/** An edit that met someone else's in the same place; the person decides. */
export interface Collision {
  edit: Operation[];
  /** the policy as each would have it */
  mine: Policy;
  theirs: Policy;
}

export type Direction = 'undo' | 'redo';

/** What a page could not send, kept over a reload. */
export interface Unsent {
  edits: Operation[][];
  /** of the draft they were made on; null: not one revision, so that each is asked about */
  revision: number | null;
  /** what the server will have made of the first, should it have arrived without its answer coming back */
  perhapsThere: Operation[] | null;
}

/** What is under way to the server; one at a time, since each builds on the revision that the one before has left. */
export type UnderWay =
  /** the first of `pending` */
  | 'send'
  /** the first of `steps` */
  | 'step'
  /** the whole draft, where what has changed since ours is not known */
  | 'whole'
  /** what others have changed since `restoring` was made */
  | 'changesSince'
  /** until the next try */
  | 'pause';

/** All that a page knows of the draft. Changed by `reduceDraft` alone. */
export interface DraftModel {
  /** what the server has confirmed */
  saved: Draft;
  /** edits on their way, oldest first */
  pending: readonly Operation[][];
  /** of the first of them, once it has been sent without a clear answer: what the server will have stored if it did arrive */
  perhapsThere: Operation[] | null;
  /** what is being dragged or typed and not yet an edit */
  preview: Operation[] | null;
  /** saved + pending: what the next edit falls on */
  settled: Policy;
  /** saved + pending + preview: what every view shows */
  policy: Policy;
  /** the oldest first; each waits for the person's decision */
  collisions: readonly Collision[];
  problem: HttpProblem | null;
  /** edits of an earlier page, until it is known what others have changed since they were made */
  restoring: (Unsent & { revision: number }) | null;
  /** steps through the history that wait until every edit is sent */
  steps: readonly Direction[];
  underWay: UnderWay | null;
  /** whether there may be a newer draft, and whether that is being asked */
  news: boolean;
  reading: boolean;
  /** tries in a row that have not come through */
  tries: number;
  /** of these, those that were answered by something that is no answer */
  failures: number;
  /** given up for now: sent again with the next edit */
  held: boolean;
}

export type DraftEvent =
  | { type: 'shown'; patch: Operation[] | null }
  | { type: 'edited'; patch: Operation[] }
  | { type: 'stepWanted'; direction: Direction }
  /** of the oldest collision */
  | { type: 'decided'; keep: 'mine' | 'theirs' }
  | { type: 'unsentFound'; unsent: Unsent }
  /** another tab, another person or a look at the page says that there may be a newer draft */
  | { type: 'newsHeard'; revision?: number }
  | { type: 'answered'; answer: DraftReply }
  | { type: 'newsRead'; answer: DraftReply }
  | { type: 'pauseOver' }
  | { type: 'problemMet'; problem: HttpProblem }
  | { type: 'problemDismissed' };

export type DraftReply = Answer<DraftAnswer>;

/** What the store is asked to do. All but `announce` and `readNews` end in an event: `answered` or `pauseOver`. */
export type DraftRequest =
  | { type: 'send'; edit: Operation[]; revision: number }
  | { type: 'step'; direction: Direction; revision: number }
  | { type: 'readWhole' }
  | { type: 'readSince'; revision: number }
  /** ends in `newsRead` */
  | { type: 'readNews'; revision: number }
  /** at least half of `ms` and at most one and a half, at random, so that several writers do not meet again and again */
  | { type: 'pause'; ms: number }
  /** tells other tabs */
  | { type: 'announce'; revision: number };

export type DraftStatus = 'saved' | 'saving' | 'waiting';
