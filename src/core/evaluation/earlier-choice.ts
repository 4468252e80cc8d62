import type { EarlierChoice } from '../policy/types.ts';
import type { EarlierOutcome, Evaluation } from './evaluation.ts';

/** What became of the option a shopper had chosen, and why it is gone if it is. */
export function earlierOutcome(
  { option: optionId, price: was }: EarlierChoice,
  { options, unavailable, noOptions }: Evaluation,
): EarlierOutcome {
  const found = options.find((option) => option.optionId === optionId);
  if (found)
    return {
      optionId,
      still: found.after === was ? 'same' : found.after < was ? 'cheaper' : 'dearer',
      was,
      now: found.after,
    };
  const because = unavailable.find((option) => option.optionId === optionId)?.reason ?? noOptions ?? 'notInZone';
  return { optionId, still: 'gone', was, because };
}
