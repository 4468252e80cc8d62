/** The language most likely read in a country, with it: “DK” → da-DK. Source: CLDR’s likely subtags, through Intl. */
export function likelyLanguage(country: string): string {
  const { language } = new Intl.Locale(`und-${country}`).maximize();
  return `${language === 'und' || !/^[a-z]{2,3}$/.test(language) ? 'en' : language}-${country}`;
}
