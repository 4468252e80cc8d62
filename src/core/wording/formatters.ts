import type { Formatters } from 'intl-messageformat';

/**
 * What numbers, dates and plurals in texts are written with, each made once for a language and a style. The package's own would
 * compare all that they are made from as JSON at each use.
 */
export function formattersOf(language: string): Formatters {
  const plain = new Intl.NumberFormat(language);
  const plurals = {
    cardinal: new Intl.PluralRules(language, { type: 'cardinal' }),
    ordinal: new Intl.PluralRules(language, { type: 'ordinal' }),
  };
  return {
    getNumberFormat: (_, style) => (style ? new Intl.NumberFormat(language, style) : plain),
    getDateTimeFormat: (_, style) => new Intl.DateTimeFormat(language, style),
    getPluralRules: (_, style) => plurals[style?.type ?? 'cardinal'],
  };
}
