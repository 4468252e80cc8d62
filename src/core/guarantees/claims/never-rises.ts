import type { ClaimKind, ClaimOf } from '../claim.ts';
import { optionInWords } from '../option-in-words.ts';
import { keptOf, selectedIn } from './selected.ts';

export const neverRises: ClaimKind<ClaimOf<'neverRises'>> = {
  kind: 'neverRises',
  called: 'never get dearer as goods are added',
  begin: (before) => ({ kind: 'neverRises', on: keptOf(before).on }),
  says: ({ on }, policy) => `no ${optionInWords(on, policy)} gets dearer as goods are added`,
  find: ({ on }, { along, stretches, money }) => {
    for (const { index, name } of selectedIn(along, on)) {
      let before: { value: number; after: number } | null = null;
      for (const value of stretches.flatMap(({ from, last }) => [from, last])) {
        const after = along.pricesAt(value)[index]?.after;
        if (after === undefined) continue;
        if (before && after > before.after)
          return {
            value,
            says: `${name} costs ${money(after)} with goods of ${money(value)}, and ${money(before.after)} with goods of ${money(before.value)}`,
          };
        before = { value, after };
      }
    }
    return null;
  },
};
