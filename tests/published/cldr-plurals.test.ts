// Source: Unicode CLDR plural rules, from the npm package `cldr-core` (supplemental/plurals.json and ordinals.json).
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, test } from 'vitest';
import { pluralCategories } from '../../src/core/wording/languages/plural-categories.ts';
import { wordingFaults } from '../../src/core/wording/faults.ts';
import { renderText } from '../../src/core/wording/render.ts';

const require = createRequire(import.meta.url);
type Rules = Record<string, Record<string, string>>;
const read = (name: string, kind: string): Rules =>
  (
    JSON.parse(readFileSync(require.resolve(`cldr-core/supplemental/${name}.json`), 'utf8')) as {
      supplemental: Record<string, Rules>;
    }
  ).supplemental[`plurals-type-${kind}`]!;
const cardinal = read('plurals', 'cardinal');
const ordinal = read('ordinals', 'ordinal');
/** Categories that CLDR gives a sample below a million for: whole numbers that texts can count. */
const reachable = (rules: Record<string, string>) =>
  Object.entries(rules)
    .filter(([, rule]) => samples(rule).some((number) => number < 1_000_000))
    .map(([key]) => key.replace('pluralRule-count-', ''))
    .sort();
const categoriesOf = (rules: Record<string, string>) =>
  Object.keys(rules)
    .map((key) => key.replace('pluralRule-count-', ''))
    .sort();

/** Whole-number samples of a rule, such as "@integer 0, 2~16, 100, …". */
function samples(rule: string): number[] {
  const list = /@integer ([^@]*)/.exec(rule)?.[1] ?? '';
  return list.split(',').flatMap((part) => {
    const match = /^\s*(\d+)(?:~(\d+))?\s*$/.exec(part);
    return match ? [Number(match[1]), ...(match[2] ? [Number(match[2])] : [])] : [];
  });
}

const languages = Object.keys(cardinal).filter(
  (language) => Intl.PluralRules.supportedLocalesOf(language).length > 0 && language !== 'root',
);

describe('plural rules are those of CLDR', () => {
  test('most of the world’s languages are covered', () => expect(languages.length).toBeGreaterThan(100));

  test('categories that whole numbers below a million fall in', () => {
    for (const language of languages) {
      expect([language, [...pluralCategories(language)].sort()]).toEqual([language, reachable(cardinal[language]!)]);
      if (ordinal[language])
        expect([language, [...pluralCategories(language, true)].sort()]).toEqual([
          language,
          reachable(ordinal[language]),
        ]);
    }
  });

  test('every whole-number sample falls in its category when a text is rendered', () => {
    let checked = 0;
    for (const language of languages) {
      const text = `{items, plural, ${categoriesOf(cardinal[language]!)
        .map((category) => `${category} {${category}}`)
        .join(' ')}}`;
      for (const [key, rule] of Object.entries(cardinal[language]!)) {
        for (const number of samples(rule)) {
          expect([language, number, renderText(text, language, { items: number })]).toEqual([
            language,
            number,
            key.replace('pluralRule-count-', ''),
          ]);
          checked++;
        }
      }
    }
    expect(checked).toBeGreaterThan(1000);
  });

  test('a text without a category its language needs is pointed out', () => {
    const text = '{items, plural, one {# zákaz} other {# zákazů}} {remaining}';
    const situation = {
      state: 'progress',
      shownIn: ['strip'],
      setting: { currency: 'CZK', timeZone: 'Europe/Prague' },
      measure: 'value',
      without: [],
      rewards: [],
    } as const;
    expect(
      wordingFaults(text, { ...situation, language: 'cs-CZ' })
        .map(({ message }) => message)
        .join(),
    ).toMatch(/few/);
    expect(wordingFaults(text, { ...situation, language: 'en-GB' })).toEqual([]);
    // French has a form for whole millions, and none of them is ever counted here.
    expect(
      wordingFaults('{items, plural, one {# article} other {# articles}} {remaining}', {
        ...situation,
        language: 'fr-BE',
      }),
    ).toEqual([]);
  });
});
