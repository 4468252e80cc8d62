import type { ClaimKind, ClaimOf } from '../claim.ts';
import { optionInWords } from '../option-in-words.ts';
import { keptOf, selectedIn } from './selected.ts';

export const offered: ClaimKind<ClaimOf<'offered'>> = {
  kind: 'offered',
  called: 'can be chosen',
  begin: (before) => ({ kind: 'offered', ...keptOf(before) }),
  says: ({ of, on }, policy) => `${of} ${optionInWords(on, policy)} can be chosen`,
  find: ({ of, on }, { along, stretches }) => {
    const selected = selectedIn(along, on);
    for (const { from } of stretches) {
      const prices = along.pricesAt(from);
      const missing = selected.filter(({ index }) => prices[index] === null);
      if (of === 'some' && missing.length === selected.length)
        return { value: from, says: 'none of them can be chosen' };
      if (of === 'each' && missing[0]) return { value: from, says: `${missing[0].name} cannot be chosen` };
    }
    return null;
  },
};
