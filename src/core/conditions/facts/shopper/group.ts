import { wordsKnown } from '../../asked.ts';
import { anyWord, usedWords } from '../../used-words.ts';
import { wordFact } from '../../forms/word.ts';

export const group = wordFact('shopper.group', {
  about: 'The shopper',
  name: 'is in a group',
  also: 'members segment customers club school trade',
  words: {
    name: 'the shopper’s groups',
    several: true,
    known: (policy) => usedWords('shopper.group', policy, ({ shopper }) => shopper?.groups),
    accept: anyWord,
  },
  of: ({ shopper }) => wordsKnown(shopper.groups, shopper),
});
