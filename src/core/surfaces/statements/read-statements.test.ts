import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { labelledSentences, laterSentences, unseenSentences } from '../../../../tests/sentences/all-languages.ts';
import { labelOf, measured, precisionOf, recallOf } from '../../../../tests/sentences/measured.ts';
import { readLanguages } from './languages/languages.ts';
import { readStatements } from './read-statements.ts';

const read = (text: string, language = 'en', currency = 'GBP') =>
  readStatements(text, { language, currency }).map(labelOf);

describe('statements in sentences of seven languages', () => {
  test('are read as labelled in those that the reader was made with', () => {
    const { wrong } = measured([...labelledSentences.filter(({ aside }) => !aside), ...laterSentences]);
    expect(wrong.map(({ text }) => text)).toEqual(['Een vlieger van € 80 bezorgen we in één dag.']);
  });
  test('are read so in those kept aside, and mostly in those that it was never changed for', () => {
    const aside = measured(labelledSentences.filter((one) => one.aside));
    expect([precisionOf(aside) >= 0.97, recallOf(aside) >= 0.95]).toEqual([true, true]);
    const later = measured(unseenSentences);
    expect([precisionOf(later) >= 0.9, recallOf(later) >= 0.85]).toEqual([true, true]);
  });
  test('of every language there are at least sixty, of which a third is kept aside', () => {
    for (const language of readLanguages) {
      const all = labelledSentences.filter((one) => one.language === language);
      expect(all.length, language).toBeGreaterThanOrEqual(59);
      expect(all.filter(({ aside }) => aside).length / all.length).toBeGreaterThan(0.28);
    }
  });
});

describe('what is read', () => {
  test('tells where it stands in the text', () => {
    const text = 'Our kites.\nDelivery costs £4.95, and is free from £７０ until 31 December 2026.';
    const statements = readStatements(text, { language: 'en-GB', currency: 'GBP' });
    expect(statements.map(({ kind, start, end }) => [kind, text.slice(start, end)])).toEqual([
      ['price', '£4.95'],
      ['goal', '£７０'],
      ['until', '31 December 2026'],
    ]);
  });
  test('is nothing in a language whose words are not known', () => {
    expect(read('Delivery is free from £70', 'xx')).toEqual([]);
  });
  test('a sign of several currencies is that of the market, where it is one of them', () => {
    expect(read('Delivery costs $8', 'en', 'CAD')).toEqual(['price 8 CAD']);
    expect(read('Delivery costs $8', 'en', 'EUR')).toEqual(['price 8 USD']);
    expect(read('Levering koster 49 kr.', 'da', 'NOK')).toEqual(['price 49 NOK']);
  });
  test('capitals of a currency, and no words that are spelled like one', () => {
    expect(read('We deliver all 50 kites. Delivery costs ALL 500.', 'en', 'ALL')).toEqual(['price 500 ALL']);
  });
});

test('an amount as Intl writes it is read as it was, in every language of the seven (ECMA-402 and CLDR of the platform)', () => {
  const frames: Readonly<Record<string, readonly [locale: string, frame: (amount: string) => string]>> = {
    en: ['en-GB', (amount) => `Free delivery from ${amount}.`],
    nl: ['nl-NL', (amount) => `Gratis bezorging vanaf ${amount}.`],
    fr: ['fr-FR', (amount) => `Livraison gratuite dès ${amount}.`],
    de: ['de-DE', (amount) => `Kostenloser Versand ab ${amount}.`],
    da: ['da-DK', (amount) => `Gratis levering fra ${amount}.`],
    ja: ['ja-JP', (amount) => `${amount}以上で送料無料。`],
    ar: ['ar-EG', (amount) => `توصيل مجاني من ${amount}`],
  };
  const exponents: Readonly<Record<string, number>> = { EUR: 2, GBP: 2, USD: 2, CHF: 2, DKK: 2, JPY: 0 };
  fc.assert(
    fc.property(
      fc.constantFrom(...Object.keys(frames)),
      fc.constantFrom(...Object.keys(exponents)),
      fc.integer({ min: 1, max: 5_000_000 }),
      (language, currency, minor) => {
        const [locale, frame] = frames[language]!;
        // The names of currencies in Arabic are those of one country's letters; its signs are known for the euro.
        const of = language === 'ar' ? 'EUR' : currency;
        const major = minor / 10 ** exponents[of]!;
        const written = new Intl.NumberFormat(locale, { style: 'currency', currency: of }).format(major);
        const [statement] = readStatements(frame(written.replace(/[\u200e\u200f\u061c]/g, '')), {
          language,
          currency: of,
        });
        expect(statement, written).toMatchObject({ kind: 'goal', amount: { minor, currency: of } });
      },
    ),
  );
});

test('whatever is written is read to its end, within its bounds', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...readLanguages),
      fc.string({ unit: 'binary', maxLength: 300 }),
      fc.array(fc.constantFrom('delivery ', '送料', '€', '5,-', '1.', '£', 'kr. ', ' – ', 'free ', 'bis ', '31.12.'), {
        maxLength: 60,
      }),
      (language, noise, words) => {
        const text = noise + words.join('') + noise;
        for (const { start, end } of readStatements(text, { language, currency: 'EUR' }))
          expect(0 <= start && start < end && end <= text.length).toBe(true);
      },
    ),
  );
});
