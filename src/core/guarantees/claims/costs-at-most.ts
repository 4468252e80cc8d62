import type { ClaimKind, ClaimOf } from '../claim.ts';
import { optionInWords } from '../option-in-words.ts';
import { dearerThan } from './dearer-than.ts';
import { keptOf } from './selected.ts';

export const costsAtMost: ClaimKind<ClaimOf<'costsAtMost'>> = {
  kind: 'costsAtMost',
  called: 'cost at most',
  begin: (before) => ({ kind: 'costsAtMost', ...keptOf(before), of: 'each', atMost: 1500 }),
  says: ({ of, on, atMost }, policy, base) =>
    `${of} ${optionInWords(on, policy)} ${of === 'some' ? 'costs' : 'that can be chosen costs'} at most ${base(atMost)}`,
  find: ({ atMost, ...claim }, looking) => {
    const most = looking.local(atMost);
    return most === null ? null : dearerThan(most, claim, looking);
  },
};
