/**
 * The plural categories that CLDR distinguishes in a language, from the platform's own CLDR data.
 * The published check in tests/published compares them with the CLDR package.
 */
export function pluralCategories(language: string, ordinal = false): string[] {
  return new Intl.PluralRules(language, { type: ordinal ? 'ordinal' : 'cardinal' }).resolvedOptions().pluralCategories;
}
