/** Where the shop sells, as its shoppers choose it: countries with the market and the languages that are read there. */
export interface Country {
  code: string;
  market: string;
  languages: readonly string[];
  /** filled in for whoever has not said more */
  postcode: string;
}

export const countries: readonly Country[] = [
  { code: 'NL', market: 'nlbe', languages: ['nl-NL', 'en-GB'], postcode: '1799 ZA' },
  { code: 'BE', market: 'nlbe', languages: ['nl-BE', 'fr-BE'], postcode: '8499' },
  { code: 'DE', market: 'deat', languages: ['de-DE', 'ar-DE'], postcode: '19999' },
  { code: 'AT', market: 'deat', languages: ['de-AT'], postcode: '9999' },
  { code: 'GB', market: 'uk', languages: ['en-GB'], postcode: 'ZZ1 1ZZ' },
  { code: 'DK', market: 'dk', languages: ['da-DK'], postcode: '9990' },
  { code: 'CH', market: 'ch', languages: ['de-CH', 'fr-CH'], postcode: '8999' },
  { code: 'US', market: 'us', languages: ['en-US'], postcode: '99501' },
  { code: 'JP', market: 'jp', languages: ['ja-JP'], postcode: '100-0001' },
];

export const countryOf = (code: string): Country => countries.find((one) => one.code === code) ?? countries[0]!;
export const nameOf = (code: string, language: string): string =>
  new Intl.DisplayNames([language], { type: 'region' }).of(code) ?? code;
