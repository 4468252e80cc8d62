import { isRegionCode } from '../../../geography/country.ts';
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
    accept: (text) => (isRegionCode(text.toUpperCase()) ? text.toUpperCase() : null),
  },
  told: 'shipment',
  of: ({ destination }) => destination.region,
});
