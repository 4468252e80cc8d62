import { usedWords } from '../../used-words.ts';
import { wordFact } from '../../forms/word.ts';

export const region = wordFact('destination.region', {
  about: 'The destination',
  name: 'region',
  also: 'state province canton where',
  words: {
    name: 'the region',
    several: false,
    known: (policy) => usedWords('destination.region', policy, ({ destination }) => [destination.region]),
    accept: (text) => (/^[A-Za-z]{2}-[A-Za-z0-9]{1,3}$/.test(text) ? text.toUpperCase() : null),
  },
  told: 'shipment',
  of: ({ destination }) => destination.region,
});
