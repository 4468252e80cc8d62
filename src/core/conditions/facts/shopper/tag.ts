import { wordsKnown } from '../../asked.ts';
import { anyWord, usedWords } from '../../used-words.ts';
import { wordFact } from '../../forms/word.ts';

export const tag = wordFact('shopper.tag', {
  about: 'The shopper',
  name: 'is tagged',
  also: 'label mark',
  words: {
    name: 'the shopper’s tags',
    several: true,
    known: (policy) => usedWords('shopper.tag', policy, ({ shopper }) => shopper?.tags),
    accept: anyWord,
  },
  of: ({ shopper }) => wordsKnown(shopper.tags, shopper),
});
