import type { OfferWording, Texts } from '../policy/types.ts';

export type TextState = keyof OfferWording;

/** Of a state: whether some text stands there, in any place and language, that leaves the reward unsaid or said in plain words, and one that chooses its words by the reward. */
export interface TextsWritten {
  plain: boolean;
  byReward: boolean;
}

export type StatesWritten = Readonly<Partial<Record<TextState, TextsWritten>>>;

/** States whose text may be missing: on the way is said instead. */
export const saidInstead: Readonly<Partial<Record<TextState, TextState>>> = { invite: 'progress', nearly: 'progress', onward: 'progress' };

/** Whether a text chooses its words by the argument `reward`. */
export const choosesByReward = (text: string): boolean => /\{\s*reward\b/.test(text);

const known = new WeakMap<OfferWording, StatesWritten>();
const nothing: StatesWritten = {};

/** Which states of an offer have texts. Worked out once for each wording. */
export function statesWritten(wording: OfferWording | undefined): StatesWritten {
  if (!wording) return nothing;
  const last = known.get(wording);
  if (last) return last;
  const states: Partial<Record<TextState, TextsWritten>> = {};
  for (const [state, places] of Object.entries(wording) as [TextState, OfferWording[TextState]][]) {
    const texts = Object.values(places ?? {}).flatMap((byLanguage: Texts | undefined) => Object.values(byLanguage ?? {}));
    if (texts.length === 0) continue;
    const byReward = texts.some(choosesByReward);
    states[state] = { plain: !texts.every(choosesByReward), byReward };
  }
  known.set(wording, states);
  return states;
}

/** What tells two of them apart, as text. */
export const statesKey = (states: StatesWritten): string =>
  Object.entries(states)
    .map(([state, { plain, byReward }]) => `${state}${plain ? 1 : 0}${byReward ? 1 : 0}`)
    .join(' ');
