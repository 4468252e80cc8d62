import type { ClaimKind, ClaimOf } from '../claim.ts';
import { optionInWords } from '../option-in-words.ts';
import { keptOf, selectedIn } from './selected.ts';

export const noMoreThanGuests: ClaimKind<ClaimOf<'noMoreThanGuests'>> = {
  kind: 'noMoreThanGuests',
  called: 'never cost more than for a guest',
  begin: (before) => ({ kind: 'noMoreThanGuests', on: keptOf(before).on }),
  says: ({ on }, policy) => `no ${optionInWords(on, policy)} costs more than for a guest with the same cart`,
  find: ({ on }, { along, stretches, money }) => {
    const guest = along.guest();
    if (guest === along) return null;
    const selected = selectedIn(along, on);
    for (const { from, last } of stretches) {
      const between = guest.starts.filter((start) => start > from && start < last);
      for (const value of [from, ...between, last]) {
        const [prices, guests] = [along.pricesAt(value), guest.pricesAt(value)];
        for (const { index, name } of selected) {
          const [paid, theirs] = [prices[index]?.after, guests[index]?.after];
          if (theirs === undefined) continue;
          if (paid === undefined) return { value, says: `a guest can choose ${name}, and they cannot` };
          if (paid > theirs) return { value, says: `${name} costs them ${money(paid)}, and a guest ${money(theirs)}` };
        }
      }
    }
    return null;
  },
};
