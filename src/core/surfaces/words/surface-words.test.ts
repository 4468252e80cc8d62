import { describe, expect, test } from 'vitest';
import { pluralCategories } from '../../wording/languages/plural-categories.ts';
import { usedArguments } from '../../wording/used-arguments.ts';
import { shippedWords, sourceWords } from './known-languages.ts';
import type { SurfaceTextId } from './surface-words.ts';
import { surfaceTextFault, valuesOf } from './text-fault.ts';

const ids = Object.keys(sourceWords) as SurfaceTextId[];

describe.each(['en', 'nl', 'fr', 'de', 'da', 'ja', 'ar'])('texts of surfaces in %s', (language) => {
  const words = shippedWords(`${language}-XX`)!;
  test('can be filled, and name the very values that the English ones do', () => {
    for (const id of ids) {
      expect(surfaceTextFault(id, words[id], language), id).toBeNull();
      const counted = ['countItems', 'countLines', 'countParcels'].includes(id);
      expect([...usedArguments(words[id])].sort(), id).toEqual(counted ? ['count'] : valuesOf(id).sort());
    }
  });
  test('have a form for what is one, where the language has such a form', () => {
    const hasOne = pluralCategories(language).includes('one');
    for (const id of ids.filter((one) => /\{count, plural/.test(sourceWords[one])))
      expect(/ one \{/.test(words[id]), id).toBe(hasOne);
  });
});

test('a text that cannot be filled is told with what it could name', () => {
  expect(surfaceTextFault('free', 'for {nothing}', 'en')).toContain('leave braces out');
  expect(surfaceTextFault('from', 'from {', 'en')).toBe('It cannot be filled. Its values are {what}, {from}.');
  expect(surfaceTextFault('from', 'from {from}', 'en')).toBeNull();
  expect(shippedWords('pl-PL')).toBeNull();
  expect(shippedWords('constructor')).toBeNull();
});
