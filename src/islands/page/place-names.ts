import { countryCodes } from '../../core/geography/country.ts';

const names = new Map<string, Intl.DisplayNames>();
const given = new Map<string, Record<string, string>>();

/** A country's name in the reader's language; the code where Intl does not know it. */
export function countryName(code: string, locale: string): string {
  const known = given.get(locale)?.[code];
  if (known !== undefined) return known;
  let intl = names.get(locale);
  if (!intl) names.set(locale, (intl = new Intl.DisplayNames([locale], { type: 'region', fallback: 'code' })));
  return intl.of(code) ?? code;
}

/** All names as the server has them: a browser of another age may call a few countries otherwise, and the page must not change. */
export const countryNames = (locale: string): Record<string, string> =>
  Object.fromEntries(countryCodes.map((code) => [code, countryName(code, locale)]));

/** Takes the server's names for the views of a page. */
export function takeCountryNames(locale: string, all: Record<string, string>): void {
  given.set(locale, all);
}
