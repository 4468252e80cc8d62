import type { ClaimKind, ClaimOf } from '../claim.ts';
import { optionInWords } from '../option-in-words.ts';
import { dearerThan } from './dearer-than.ts';
import { keptOf } from './selected.ts';

export const free: ClaimKind<ClaimOf<'free'>> = {
  kind: 'free',
  called: 'are free',
  begin: (before) => ({ kind: 'free', ...keptOf(before) }),
  says: ({ of, on }, policy) =>
    `${of} ${optionInWords(on, policy)} ${of === 'some' ? 'is' : 'that can be chosen is'} free`,
  find: (claim, looking) => dearerThan(0, claim, looking),
};
