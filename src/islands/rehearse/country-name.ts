/** A country's name in the reader's language; the code where Intl does not know it. */
export function countryName(code: string, locale: string): string {
  return new Intl.DisplayNames([locale], { type: 'region', fallback: 'code' }).of(code) ?? code;
}
