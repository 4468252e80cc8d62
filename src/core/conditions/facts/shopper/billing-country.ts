import { countryCodes } from '../../../geography/country.ts';
import { wordFact } from '../../forms/word.ts';

export const billingCountry = wordFact('shopper.billingCountry', {
  about: 'The shopper',
  name: 'billing country',
  also: 'invoice bill pays card address',
  words: {
    name: 'the billing country',
    several: false,
    known: (_policy, countryName) =>
      countryCodes.map((word) => ({ word, name: countryName(word) })).sort((a, b) => a.name.localeCompare(b.name)),
    shown: (word, countryName) => countryName(word),
  },
  of: ({ shopper }) => shopper.billingCountry,
});
