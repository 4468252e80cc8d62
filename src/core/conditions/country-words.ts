import { countryCodes } from '../geography/country.ts';
import type { WordsOfFact } from './fact.ts';

/** The words of a fact that is a country. @param name as read-outs name it */
export const countryWords = (name: string): WordsOfFact => ({
  name,
  several: false,
  known: (_policy, countryName) =>
    countryCodes.map((word) => ({ word, name: countryName(word) })).sort((a, b) => a.name.localeCompare(b.name)),
  shown: (word, countryName) => countryName(word),
});
