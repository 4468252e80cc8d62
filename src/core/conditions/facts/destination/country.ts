import { countryCodes } from '../../../geography/country.ts';
import { wordFact } from '../../forms/word.ts';

export const country = wordFact('destination.country', {
  about: 'The destination',
  name: 'country',
  also: 'where land nation',
  words: {
    name: 'the country',
    several: false,
    known: (_policy, countryName) =>
      countryCodes.map((word) => ({ word, name: countryName(word) })).sort((a, b) => a.name.localeCompare(b.name)),
    shown: (word, countryName) => countryName(word),
  },
  told: 'shipment',
  of: ({ destination }) => destination.country,
});
