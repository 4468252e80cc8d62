import { anyWord, usedWords } from '../../used-words.ts';
import { wordFact } from '../../forms/word.ts';

export const individual = wordFact('shopper.individual', {
  about: 'The shopper',
  name: 'is one of these people',
  also: 'person customer number id individual',
  words: {
    name: 'the shopper',
    several: false,
    known: (policy) => usedWords('shopper.individual', policy, ({ shopper }) => [shopper?.individual]),
    accept: anyWord,
  },
  of: ({ shopper }) => shopper.individual,
});
