import { draftEtag } from '../../contract/etag.ts';
import { beyondMarkets } from '../draft/draft-answers.ts';
import { readDraft } from '../draft/draft-store.ts';
import type { Problem } from '../http/problem.ts';
import { wrongIn } from './wrong-in-draft.ts';

/** So many of what is wrong are named. */
const mostNamed = 5;

/** Why the draft is not released as it is: something is wrong, and nobody says why it is released all the same. @returns null: nothing is, or somebody does */
export async function unreasoned(revision: number, reason: string | null): Promise<Problem | null> {
  if (reason !== null) return null;
  const draft = await readDraft();
  // One that has moved on is refused for that.
  const wrong = draft.revision === revision ? await wrongIn(draft.policy) : [];
  if (wrong.length === 0) return null;
  const more = wrong.length > mostNamed ? ` And ${wrong.length - mostNamed} more.` : '';
  return {
    status: 422,
    title: 'Something is wrong, and no reason is given',
    detail: `${wrong.slice(0, mostNamed).join(' ')}${more} Nothing was released. Mend it, accept it, or say why it is released as it is.`,
  };
}

/** The reason as it is kept: none where nothing is said. */
export const reasonFrom = ({ reason }: { reason?: string }): string | null => reason?.trim() || null;

export const notReleased = (
  outcome: { kind: 'stale'; revision: number } | { kind: 'beyond'; reason: string },
): Problem =>
  outcome.kind === 'beyond'
    ? beyondMarkets(outcome.reason)
    : {
        status: 412,
        title: 'The draft has moved on',
        detail: 'Someone edited it since you looked at the changes. Nothing was released. Look at the changes again.',
        headers: { etag: draftEtag(outcome.revision) },
      };

export const takesTwo: Problem = {
  status: 409,
  title: 'A release takes two people here',
  detail: 'Nothing was released. Ask for it; somebody else who may release has to agree.',
};
export const takesOne: Problem = {
  status: 409,
  title: 'A release takes one person here',
  detail: 'Nothing was asked. Release the draft at once.',
};
export const noneAsked: Problem = {
  status: 404,
  title: 'No release is asked for',
  detail: 'Nothing was released. It may have been taken back or made meanwhile.',
};
export const ownAsked: Problem = {
  status: 403,
  title: 'You have asked for this release yourself',
  detail: 'Nothing was released. It takes somebody else who may release to agree.',
};
