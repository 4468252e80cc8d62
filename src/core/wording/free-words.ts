/**
 * How languages say that something costs nothing, as shops write it (values from memory).
 * A language that is not here is never found to say it.
 */
const freeWords: Readonly<Record<string, RegExp>> = {
  ar: /مجان/u,
  cs: /zdarma|bezplatn/iu,
  da: /gratis|fri (?:fragt|levering)/iu,
  de: /kostenlos|kostenfrei|gratis|umsonst|portofrei|(?<!\p{L})freie?[mnrs]?(?!\p{L})/iu,
  en: /(?<!\p{L})free(?!\p{L})|no charge|for nothing/iu,
  es: /gratis|gratuit|sin coste/iu,
  fi: /ilmai/iu,
  fr: /gratuit|offert|sans frais/iu,
  it: /gratis|gratuit|omaggio/iu,
  ja: /無料|タダ/u,
  nb: /gratis|fri (?:frakt|levering)|fraktfritt/iu,
  nl: /gratis|kosteloos|voor niets/iu,
  no: /gratis|fri (?:frakt|levering)|fraktfritt/iu,
  pl: /darmow|bezpłat|gratis|za darmo/iu,
  pt: /gr[áa]tis|gratuit/iu,
  sv: /gratis|fri (?:frakt|leverans)|fraktfritt|kostnadsfri/iu,
};

/** How a language says that something is free; null: it is not known. */
export const freeWordsOf = (language: string): RegExp | null => freeWords[language.split('-')[0]!] ?? null;

/** Whether a text, as a shopper reads it, says that something is free. */
export const saysFree = (text: string, language: string): boolean => freeWordsOf(language)?.test(text) ?? false;
