import { countryWords } from '../../country-words.ts';
import { wordFact } from '../../forms/word.ts';

export const billingCountry = wordFact('shopper.billingCountry', {
  about: 'The shopper',
  name: 'billing country',
  also: 'invoice bill pays card address',
  words: countryWords('the billing country'),
  of: ({ shopper }) => shopper.billingCountry,
});
