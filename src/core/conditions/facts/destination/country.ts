import { countryWords } from '../../country-words.ts';
import { wordFact } from '../../forms/word.ts';

export const country = wordFact('destination.country', {
  about: 'The destination',
  name: 'country',
  also: 'where land nation',
  words: countryWords('the country'),
  told: 'shipment',
  always: true,
  of: ({ destination }) => destination.country,
});
