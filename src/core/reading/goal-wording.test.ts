import { expect, test } from 'vitest';
import { saysFree } from '../wording/free-words.ts';
import { goalWording, unworded } from './goal-wording.ts';

const languages = ['ar-AE', 'da-DK', 'de-AT', 'en-GB', 'fr-FR', 'ja-JP', 'nb-NO', 'nl-BE', 'no-NO', 'sv-SE'];

test('an offer of free delivery is worded in the languages that are known, once each, and says that it is free', () => {
  const wording = goalWording([...languages, 'nl-BE', 'is-IS'])!;
  for (const state of ['progress', 'reached'] as const) {
    const texts = wording[state]!.everyPlace!;
    expect(Object.keys(texts)).toEqual(languages);
    for (const language of languages) expect(saysFree(texts[language]!, language), language).toBe(true);
  }
  for (const language of languages) expect(wording.progress!.everyPlace![language], language).toContain('{remaining}');
  expect(unworded([...languages, 'is-IS', 'is-IS'])).toEqual(['is-IS']);
  expect(goalWording(['is-IS'])).toBeUndefined();
});
