import type { AskedRelease, ReleaseSummary } from '../../contract/shapes/release.ts';
import type { Person } from '../accounts/person.ts';
import { inTransaction } from '../database/pool.ts';
import { changingQuotes } from '../current-state.ts';
import { choicesIn } from '../store-choices.ts';
import { askedIn, dropAskedIn, keepAsked } from './asked-store.ts';
import { addRelease, releasable } from './release-store.ts';

type NotLookedAt = Exclude<Awaited<ReturnType<typeof releasable>>, { kind: 'releasable' }>;

/** Asks that the draft at `revision` be released, where that takes two people. */
export const askForRelease = (
  revision: number,
  { note, reason, person }: Pick<AskedRelease, 'note' | 'reason'> & { person: Person },
): Promise<{ kind: 'asked'; asked: AskedRelease } | { kind: 'takesOne' } | NotLookedAt> =>
  inTransaction(async (connection) => {
    const draft = await releasable(connection, revision, person);
    if (draft.kind !== 'releasable') return draft;
    if (!person.signedIn || !(await choicesIn(connection)).twoPeople) return { kind: 'takesOne' };
    return { kind: 'asked', asked: await keepAsked(connection, { revision, note, reason }, person) };
  });

/** Agrees to what somebody else has asked for, and makes it the next release. @param revision of the draft that was looked at */
export const agreeToRelease = (
  revision: number,
  person: Person,
): Promise<{ kind: 'released'; release: ReleaseSummary } | { kind: 'none' } | { kind: 'own' } | NotLookedAt> =>
  changingQuotes(async (connection) => {
    const draft = await releasable(connection, revision, person);
    if (draft.kind !== 'releasable') return draft;
    const asked = await askedIn(connection, true);
    if (!asked) return { kind: 'none' };
    if (asked.accountId === person.signedIn?.accountId) return { kind: 'own' };
    if (asked.revision !== revision) return { kind: 'stale', revision };
    await dropAskedIn(connection);
    const release = await addRelease(connection, {
      document: JSON.stringify(draft.policy),
      revision,
      note: asked.note,
      reason: asked.reason,
      copyOf: null,
      releasedBy: asked.askedBy,
      agreedBy: person.name,
    });
    return { kind: 'released', release };
  });
