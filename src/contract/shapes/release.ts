import { Type, type Static } from '@sinclair/typebox';
import { flag, moment, named, nullable, object, optional, text, whole } from '../shape.ts';
import { PolicyShape } from './policy.ts';

const summary = {
  number: whole,
  note: text,
  /** why it was made although something was wrong; null: nothing was, or it came about by rolling back */
  reason: nullable(text),
  /** the release it is a copy of, when it came about by rolling back */
  copyOf: nullable(whole),
  releasedBy: text,
  /** who agreed, where it took two people; null: it took one */
  agreedBy: nullable(text),
  releasedAt: moment,
};

/** A release as lists show it: an immutable numbered copy of the policy. */
export const ReleaseSummaryShape = named('ReleaseSummary', object(summary));
export type ReleaseSummary = Static<typeof ReleaseSummaryShape>;

export const ReleaseShape = named('Release', object({ ...summary, policy: PolicyShape }));
export type Release = Static<typeof ReleaseShape>;

/** A release that somebody has asked for and somebody else has to agree to. */
export const AskedReleaseShape = named(
  'AskedRelease',
  object({
    /** of the draft, and of no other */
    revision: whole,
    note: text,
    reason: nullable(text),
    askedBy: text,
    askedAt: moment,
    /** whether who reads this has asked for it */
    own: flag,
  }),
);
export type AskedRelease = Static<typeof AskedReleaseShape>;
export const AskedShape = object({ asked: nullable(AskedReleaseShape) });

export const RollBackRequestShape = object({ note: Type.String({ maxLength: 2000 }) });

/** `reason`: asked for where the check-up calls something wrong that nobody has accepted */
export const ReleaseRequestShape = object({
  note: Type.String({ maxLength: 2000 }),
  reason: optional(Type.String({ maxLength: 2000 })),
});
