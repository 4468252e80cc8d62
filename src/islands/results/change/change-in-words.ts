import type { MarketChange } from '../../../core/results/changes-of-market.ts';

/** A change of an offer in a few words: “Free delivery: goal 75 → 60”. @param figure writes an amount without its currency */
export function changeInWords(
  { name, change, before, after }: Pick<MarketChange, 'name' | 'change' | 'before' | 'after'>,
  figure: (minor: number) => string,
): string {
  if (change === 'begins') return after === null ? `${name} begins` : `${name} begins, goal ${figure(after)}`;
  if (change === 'ends') return before === null ? `${name} ends` : `${name} ends, goal ${figure(before)}`;
  if (before === after) return after === null ? `${name} changes` : `${name} changes, goal ${figure(after)} as before`;
  if (before === null) return `${name}: goal ${figure(after!)}, none before`;
  return after === null ? `${name}: goal ${figure(before)} goes` : `${name}: goal ${figure(before)} → ${figure(after)}`;
}
