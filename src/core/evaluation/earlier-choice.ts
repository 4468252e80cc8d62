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
      still: stillAs(found.after, was),
      was,
      now: found.after,
    };
  const because = unavailable.find((option) => option.optionId === optionId)?.reason ?? noOptions ?? 'notInZone';
  return { optionId, still: 'gone', was, because };
}

function stillAs(now: number, was: number): 'same' | 'cheaper' | 'dearer' {
  if (now === was) return 'same';
  return now < was ? 'cheaper' : 'dearer';
}
