/** Numbers and shares as the reader writes them. */
export interface Words {
  count: (value: number) => string;
  /** with a decimal below ten, as small numbers of orders a month need it */
  about: (value: number) => string;
  percent: (share: number) => string;
  date: (iso: string) => string;
}

const known = new Map<string, Words>();

/** The same for the same reader: these are made anew for no drawing. */
export function wordsFor(locale: string): Words {
  let words = known.get(locale);
  if (!words) known.set(locale, (words = makeWords(locale)));
  return words;
}

function makeWords(locale: string): Words {
  const whole = new Intl.NumberFormat(locale, { maximumFractionDigits: 0 });
  const fine = new Intl.NumberFormat(locale, { maximumFractionDigits: 1 });
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  const date = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeZone: 'UTC' });
  return {
    count: (value) => whole.format(value),
    about: (value) => (Math.abs(value) < 10 ? fine.format(value) : whole.format(value)),
    percent: (share) => percent.format(share),
    date: (iso) => date.format(new Date(`${iso}T00:00Z`)),
  };
}
