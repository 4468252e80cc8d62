import type { Pool, PoolConnection, ResultSetHeader } from 'mysql2/promise';
import type { Operation } from 'rfc6902';
import type { Draft } from '../../contract/shapes/draft.ts';
import type { PolicyFault } from '../../core/policy/fault.ts';
import { policyChanges, type PolicyChange } from '../../core/changes/changes.ts';
import { emptyPolicy } from '../../core/policy/empty.ts';
import { applyToPolicy, patchBetween } from '../../core/policy/patch.ts';
import { beyondLimit, type MarketLimit } from '../../core/people/market-limit.ts';
import type { Policy } from '../../core/policy/types.ts';
import { currentVersion } from '../../core/policy/version.ts';
import { checkPolicy } from '../../core/checks/validate.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { unknownRegions } from '../geography/regions.ts';
import { storeId } from '../store-id.ts';
import { InvalidStoredPolicy } from '../policy/stored-policy.ts';
import {
  draftRevision,
  keepKnown,
  newestValid,
  patchSince,
  policyAt,
  snapshotWhereDue,
  type DraftState,
} from './draft-document.ts';
import { sizeFault } from './draft-size.ts';
import {
  coveringEdit,
  dropUndone,
  noteStep,
  patchOf,
  stepInWords,
  stepOf,
  type Account,
  type Direction,
  type HistoryStep,
} from './history-steps.ts';

/** The draft, with what tells its state from that of any other store. */
export interface StoredDraft extends Draft {
  stamp: string;
}

/** A draft, with what has changed since the revision that was asked about; null where that is too long a way. */
export interface DraftSince extends StoredDraft {
  since: { revision: number; patch: Operation[] } | null;
}

export type EditOutcome =
  | { kind: 'done'; draft: DraftSince }
  | { kind: 'stale'; draft: DraftSince }
  | { kind: 'refused'; faults: PolicyFault[]; revision: number }
  /** `reason`: it concerns markets that its maker may not change */
  | { kind: 'beyond'; reason: string }
  /** others have changed the same place since */
  | { kind: 'covered'; step: HistoryStep; by: HistoryStep }
  /** what it was made on is there no more */
  | { kind: 'unfit'; step: HistoryStep }
  | { kind: 'nothing'; draft: DraftSince };

interface Edit {
  kind: 'edit' | 'found';
  /** taken from what changed when not given */
  label?: string;
  by: Editor;
}

/** Who edits. */
export interface Editor {
  name: string;
  markets: MarketLimit;
  /** null: nobody has an account */
  signedIn: { accountId: string } | null;
}

const accountOf = (by: Pick<Editor, 'signedIn'> | null): Account => by?.signedIn?.accountId ?? null;

/** @param by whose next steps through the history it tells */
export async function readDraft(by: Pick<Editor, 'signedIn'> | null = null): Promise<StoredDraft> {
  return reading(async (pool) => {
    const at = await draftRevision(pool, false);
    if (!at) return { revision: 0, stamp: '', policy: emptyPolicy(), canUndo: null, canRedo: null };
    return withHistory(pool, { ...at, policy: await policyAt(pool, at) }, accountOf(by));
  });
}

export async function readDraftSince(revision: number, by: Pick<Editor, 'signedIn'>): Promise<DraftSince> {
  const draft = await readDraft(by);
  return reading(async (pool) => ({ ...draft, since: await sinceOf(pool, revision, draft.revision) }));
}

/**
 * Edits of this process come one after the other, so that none waits for the row with a connection in its hands; and while
 * some of them come too late again and again, each waits a moment of random length, so that whoever is quickest does not
 * win every time. The moments are as long as one edit lately took to follow the other: on a busy machine, those who have to
 * read a newer draft first need that long to come back.
 */
let editing: Promise<unknown> = Promise.resolve();
let lastStale = 0;
let lastDone = 0;
let between = 0;
const contention = 1000;
const pauses = { shortest: 25, longest: 500 };

function longestPause(): number {
  return Math.min(pauses.longest, Math.max(pauses.shortest, between));
}

function inLine<T>(work: () => Promise<T>): Promise<T> {
  const pause = Date.now() - lastStale < contention ? Math.random() * longestPause() : 0;
  const begin = () => {
    const turn = editing.then(work);
    editing = turn.catch(() => {});
    return turn;
  };
  return pause === 0 ? begin() : new Promise((resolve) => setTimeout(resolve, pause)).then(begin);
}

/** Remembers how edits came to follow one another. */
function note(outcome: EditOutcome['kind']): void {
  const now = Date.now();
  if (outcome === 'stale') lastStale = now;
  if (outcome !== 'done') return;
  between = now - lastDone;
  lastDone = now;
}

/** Applies a JSON Patch to the draft at exactly `revision`; otherwise the newer draft comes back and nothing changes. */
export async function editDraft(revision: number, patch: Operation[], edit: Edit): Promise<EditOutcome> {
  return keepingInLine(async (connection) => {
    const current = await lockDraft(connection);
    if (current.revision !== revision) return { outcome: await stale(connection, current, revision, edit.by) };
    const applied = applyToPolicy(current.policy, patch);
    if (!applied.ok)
      return {
        outcome: {
          kind: 'refused',
          revision,
          faults: [
            {
              pointer: patch[applied.operation]!.path,
              message: `operation ${applied.operation} (${patch[applied.operation]!.op}) does not fit the draft: ${applied.reason}`,
            },
          ],
        },
      };
    return storeEdit(connection, current, applied.policy, edit);
  });
}

/**
 * Puts a policy where nothing has been set yet, in the caller's transaction. It is what edits are made on, so
 * undo does not go behind it. @returns the draft's revision, or null when there was something already
 */
export async function foundDraft(
  connection: PoolConnection,
  policy: Policy,
  { label, by }: { label: string; by: string },
): Promise<number | null> {
  const current = await lockDraft(connection);
  if (current.revision > 0) return null;
  const { outcome, state } = await storeEdit(connection, current, policy, {
    label,
    by: { name: by, markets: null, signedIn: null },
    kind: 'found',
  });
  if (outcome.kind === 'refused') throw new Error(`the policy is not valid: ${JSON.stringify(outcome.faults)}`);
  return state?.revision ?? null;
}

/** Takes an edit back, or does an undone one again: one's own first. */
export async function stepHistory(direction: Direction, revision: number, by: Editor): Promise<EditOutcome> {
  return keepingInLine(async (connection) => {
    const current = await lockDraft(connection);
    if (current.revision !== revision) return { outcome: await stale(connection, current, revision, by) };
    const account = accountOf(by);
    const step = await stepOf(connection, direction, account);
    if (!step)
      return {
        outcome: {
          kind: 'nothing',
          draft: { ...(await withHistory(connection, current, account)), since: { revision, patch: [] } },
        },
      };
    const wanted = await patchOf(connection, direction, step);
    const covering = await coveringEdit(connection, step, wanted);
    if (covering) return { outcome: { kind: 'covered', step, by: covering } };
    const applied = applyToPolicy(current.policy, wanted);
    if (!applied.ok) return { outcome: { kind: 'unfit', step } };
    const check = checkPolicy(applied.policy, current.policy);
    if (!check.ok) return { outcome: { kind: 'refused', revision: current.revision, faults: check.faults } };
    const beyond = beyondLimit(current.policy, applied.policy, by.markets);
    if (beyond !== null) return { outcome: { kind: 'beyond', reason: beyond } };
    // As it turns out here: what the edit was once made on may have been taken back by somebody else.
    const patch = patchBetween(current.policy, applied.policy);
    const inverse = patchBetween(applied.policy, current.policy);
    const to = current.revision + 1;
    await noteStep(connection, { direction, revision: step.revision, to, patch, inverse }, account);
    return writeEdit(connection, current, applied.policy, { kind: direction, label: step.label, patch, inverse, by });
  });
}

/** The draft's policy at exactly `revision`, its row locked in the caller's transaction; else where the draft is by now. */
export async function lockedPolicy(
  connection: PoolConnection,
  revision: number,
): Promise<{ policy: Policy | null; revision: number }> {
  const current = await lockDraft(connection);
  return { policy: current.revision === revision ? current.policy : null, revision: current.revision };
}

interface Stored {
  outcome: EditOutcome;
  /** the draft's new state, to be remembered once it has been committed */
  state?: DraftState;
}

function keepingInLine(work: (connection: PoolConnection) => Promise<Stored>): Promise<EditOutcome> {
  return inLine(async () => {
    const { outcome, state } = await inTransaction(work);
    if (state) keepKnown(state);
    note(outcome.kind);
    return outcome;
  });
}

/** Puts the newest valid state on top of one that is stored and is not a policy. @returns the revision it went back to; null when the draft is valid */
export async function repairDraft(madeBy: string): Promise<number | null> {
  return inLine(() =>
    inTransaction(async (connection) => {
      const at = await draftRevision(connection, true);
      if (!at) return null;
      try {
        await policyAt(connection, at);
        return null;
      } catch (error) {
        if (!(error instanceof InvalidStoredPolicy)) throw error;
      }
      const valid = (await newestValid(connection, at.revision)) ?? { revision: 0, policy: emptyPolicy() };
      const entry: HistoryEntry = {
        kind: 'found',
        label: `Repaired: back to revision ${valid.revision}`,
        patch: [{ op: 'replace', path: '', value: valid.policy }],
        inverse: [],
        by: { name: madeBy, markets: null, signedIn: null },
      };
      const { state } = await writeEdit(connection, { ...at, policy: valid.policy }, valid.policy, entry);
      if (state) keepKnown(state);
      return valid.revision;
    }),
  );
}

async function stale(
  connection: PoolConnection,
  current: DraftState,
  revision: number,
  by: Editor,
): Promise<EditOutcome> {
  return {
    kind: 'stale',
    draft: {
      ...(await withHistory(connection, current, accountOf(by))),
      since: await sinceOf(connection, revision, current.revision),
    },
  };
}

async function sinceOf(reader: Pool | PoolConnection, from: number, to: number): Promise<DraftSince['since']> {
  const patch = await patchSince(reader, from, to);
  return patch && { revision: from, patch };
}

async function storeEdit(connection: PoolConnection, current: LockedDraft, next: Policy, edit: Edit): Promise<Stored> {
  const check = checkPolicy(next, current.policy);
  const faults = check.ok ? unknownRegions(next) : check.faults;
  if (faults.length > 0) return { outcome: { kind: 'refused', revision: current.revision, faults } };
  const beyond = beyondLimit(current.policy, next, edit.by.markets);
  if (beyond !== null) return { outcome: { kind: 'beyond', reason: beyond } };
  const patch = patchBetween(current.policy, next);
  const tooLarge = await sizeFault(connection, current.policy, next, patch);
  if (tooLarge) return { outcome: { kind: 'refused', revision: current.revision, faults: [tooLarge] } };
  if (patch.length === 0)
    return {
      outcome: {
        kind: 'nothing',
        draft: {
          ...(await withHistory(connection, current, accountOf(edit.by))),
          since: { revision: current.revision, patch: [] },
        },
      },
    };
  await dropUndone(connection, accountOf(edit.by));
  return writeEdit(connection, current, next, {
    kind: edit.kind,
    label: edit.label ?? labelOf(current.policy, next),
    patch,
    inverse: patchBetween(next, current.policy),
    by: edit.by,
  });
}

/** Parts of a policy that are no promise to shoppers, and what a change of them is called. */
const unseenParts = [
  ['textNotes', 'Unfinished text or translation'],
  ['accepted', 'Accepted findings'],
  ['assumptions', 'Assumptions'],
  ['shoppers', 'Made-up shoppers'],
  ['testCarts', 'Test carts'],
  ['guarantees', 'Guarantees'],
] as const;

/** What an edit did, for the history and the undo button. */
function labelOf(before: Policy, after: Policy): string {
  const changes = policyChanges(before, after, 'en');
  const [first] = changes;
  if (!first) return unseenParts.find(([part]) => before[part] !== after[part])?.[1] ?? 'Test carts';
  const more = changes.length > 1 ? `, and ${changes.length - 1} more` : '';
  return `${first.subject}${turnOf(first)}${more}`;
}

/** What a value became, where it is short enough to be read beside a button. */
function turnOf({ before, after }: PolicyChange): string {
  if (before === null && after === null) return '';
  const turn = before === null ? `: ${after}` : `: ${before} becomes ${after ?? 'nothing'}`;
  return turn.length > 80 ? '' : turn;
}

/** The draft in a transaction that has locked its row, and the database's time. */
type LockedDraft = DraftState & { now: string };

/** Locks the draft's row, which is made first when there is none. */
async function lockDraft(connection: PoolConnection): Promise<LockedDraft> {
  let at = await draftRevision(connection, true);
  if (!at) {
    // An insert that meets a row shares its lock, which two transactions cannot both make exclusive: so it comes second.
    await connection.query<ResultSetHeader>(
      'INSERT IGNORE INTO draft (store_id, revision, updated_at) VALUES (?, 0, UTC_TIMESTAMP(3))',
      [storeId],
    );
    at = (await draftRevision(connection, true))!;
  }
  return { ...at, policy: await policyAt(connection, at) };
}

interface HistoryEntry {
  kind: 'found' | 'edit' | 'undo' | 'redo';
  label: string;
  patch: Operation[];
  inverse: Operation[];
  by: Editor;
}

async function writeEdit(
  connection: PoolConnection,
  current: LockedDraft,
  policy: Policy,
  { kind, label, patch, inverse, by }: HistoryEntry,
): Promise<Stored> {
  const state: DraftState = { revision: current.revision + 1, stamp: current.now, policy };
  await connection.query('UPDATE draft SET revision = ?, updated_at = ? WHERE store_id = ?', [
    state.revision,
    state.stamp,
    storeId,
  ]);
  await connection.query(
    "INSERT INTO draft_edit (store_id, revision, kind, state, label, patch, inverse, made_by, made_at, schema_version, account_id, stepped) VALUES (?, ?, ?, 'done', ?, ?, ?, ?, ?, ?, ?, ?)",
    [
      storeId,
      state.revision,
      kind,
      label.slice(0, 200),
      JSON.stringify(patch),
      JSON.stringify(inverse),
      by.name,
      state.stamp,
      currentVersion,
      accountOf(by),
      state.revision,
    ],
  );
  await snapshotWhereDue(connection, state, kind === 'found');
  const account = accountOf(by);
  // After an edit it is what undo takes back; and one's own that had been undone are dropped, which are all of them where nobody has an account.
  const draft =
    kind === 'edit' && account === null
      ? { ...state, canUndo: label.slice(0, 200), canRedo: null }
      : await withHistory(connection, state, account);
  return { outcome: { kind: 'done', draft: { ...draft, since: { revision: current.revision, patch } } }, state };
}

async function withHistory(
  connection: Pool | PoolConnection,
  { revision, stamp, policy }: DraftState,
  account: Account,
): Promise<StoredDraft> {
  const inWords = async (direction: Direction) => {
    const step = await stepOf(connection, direction, account);
    return step && stepInWords(step, account);
  };
  return { revision, stamp, policy, canUndo: await inWords('undo'), canRedo: await inWords('redo') };
}
