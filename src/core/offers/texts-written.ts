import type { OfferWording, Texts } from '../policy/types.ts';

export type TextState = keyof OfferWording;

/** States whose text may be missing: on the way is said instead. */
export const saidInstead: Readonly<Partial<Record<TextState, TextState>>> = {
  invite: 'progress',
  nearly: 'progress',
  onward: 'progress',
};

const known = new WeakMap<OfferWording, ReadonlySet<TextState>>();
const none: ReadonlySet<TextState> = new Set();

/** The states of an offer that have a text in some place and language. Worked out once for each wording. */
export function statesWritten(wording: OfferWording | undefined): ReadonlySet<TextState> {
  if (!wording) return none;
  const last = known.get(wording);
  if (last) return last;
  const isWritten = (texts: Texts | undefined) => texts !== undefined && Object.keys(texts).length > 0;
  const states = new Set(
    (Object.keys(wording) as TextState[]).filter((state) => Object.values(wording[state] ?? {}).some(isWritten)),
  );
  known.set(wording, states);
  return states;
}
