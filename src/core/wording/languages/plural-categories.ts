/**
 * The plural categories that a text needs in a language: those that whole numbers below a million fall in, since texts count
 * pieces, grams and days. A language may know more, for fractions or for millions. From the platform's own CLDR data; the
 * published check in tests/published compares them with the CLDR package.
 */
export function pluralCategories(language: string, ordinal = false): readonly string[] {
  const key = `${language} ${ordinal}`;
  let found = known.get(key);
  if (!found) {
    const rules = new Intl.PluralRules(language, { type: ordinal ? 'ordinal' : 'cardinal' });
    const reached = new Set(numbers.map((number) => rules.select(number)));
    found = rules.resolvedOptions().pluralCategories.filter((category) => reached.has(category));
    if (known.size >= maxKnown) known.clear();
    known.set(key, found);
  }
  return found;
}

const known = new Map<string, readonly string[]>();
const maxKnown = 200;

/** Rules look at a number's last digits, and at whether thousands stand alone. */
const numbers = [
  ...Array.from({ length: 201 }, (_, number) => number),
  500,
  1000,
  1001,
  1002,
  10_000,
  100_000,
  999_999,
];
