import { Type, type Static } from '@sinclair/typebox';
import { moment, named, nullable, object, optional, text, whole } from '../shape.ts';
import { PolicyShape } from './policy.ts';

const summary = {
  number: whole,
  note: text,
  /** why it was made although something was wrong; null: nothing was, or it came about by rolling back */
  reason: nullable(text),
  /** the release it is a copy of, when it came about by rolling back */
  copyOf: nullable(whole),
  releasedBy: text,
  releasedAt: moment,
};

/** A release as lists show it: an immutable numbered copy of the policy. */
export const ReleaseSummaryShape = named('ReleaseSummary', object(summary));
export type ReleaseSummary = Static<typeof ReleaseSummaryShape>;

export const ReleaseShape = named('Release', object({ ...summary, policy: PolicyShape }));
export type Release = Static<typeof ReleaseShape>;

export const RollBackRequestShape = object({ note: Type.String({ maxLength: 2000 }) });

/** `reason`: asked for where the check-up calls something wrong that nobody has accepted */
export const ReleaseRequestShape = object({
  note: Type.String({ maxLength: 2000 }),
  reason: optional(Type.String({ maxLength: 2000 })),
});
