import type { Formatters } from 'intl-messageformat';

/**
 * What numbers, dates and plurals in texts are written with, each made once for a language and a style. The package's own would
 * compare all that they are made from as JSON at each use.
 */
export function formattersOf(language: string): Formatters {
  const plain = new Intl.NumberFormat(language);
  const numbers = new WeakMap<object, Intl.NumberFormat>();
  const dates = new WeakMap<object, Intl.DateTimeFormat>();
  const plurals = {
    cardinal: new Intl.PluralRules(language, { type: 'cardinal' }),
    ordinal: new Intl.PluralRules(language, { type: 'ordinal' }),
  };
  return {
    getNumberFormat: (_, style) => (style ? once(numbers, style, (of) => new Intl.NumberFormat(language, of)) : plain),
    getDateTimeFormat: (_, style) => once(dates, style ?? noStyle, (of) => new Intl.DateTimeFormat(language, of)),
    getPluralRules: (_, style) => plurals[style?.type ?? 'cardinal'],
  };
}

const noStyle = {};

/** Styles are kept by the texts that name them, so one is found again as the same thing. */
function once<Style extends object, Made>(
  known: WeakMap<object, Made>,
  style: Style,
  make: (style: Style) => Made,
): Made {
  let made = known.get(style);
  if (made === undefined) known.set(style, (made = make(style)));
  return made;
}
