import { countryCodes, isCountry } from './country.ts';
import { unaccented } from '../unaccented.ts';

/** Languages in which exports name countries. */
const languages = ['en', 'nl', 'de', 'fr', 'da', 'es', 'it', 'sv', 'pl', 'ja'];

let byName: Map<string, string> | null = null;

const plain = (name: string) => unaccented(name).replace(/[^\p{L}]/gu, '');

/** The ISO 3166-1 code behind a code or a name in a common language; null for none. Names are those of CLDR, through Intl. */
export function countryByName(text: string): string | null {
  const code = text.trim().toUpperCase();
  if (isCountry(code)) return code;
  if (!byName) {
    byName = new Map();
    for (const language of languages) {
      const names = new Intl.DisplayNames([language], { type: 'region', fallback: 'none' });
      for (const country of countryCodes) {
        const name = names.of(country);
        if (name && !byName.has(plain(name))) byName.set(plain(name), country);
      }
    }
  }
  return byName.get(plain(text)) ?? null;
}
