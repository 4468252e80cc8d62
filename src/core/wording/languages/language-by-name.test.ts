import { expect, test } from 'vitest';
import { languageByName } from './language-by-name.ts';

test.each([
  ['fr-CA', 'CH', 'fr-CA'],
  ['FR_ca', 'CH', 'fr-CA'],
  ['nl', 'BE', 'nl'],
  ['zh-Hant-TW', 'TW', 'zh-Hant-TW'],
  ['French', 'BE', 'fr-BE'],
  ['français', 'BE', 'fr-BE'],
  ['francais', undefined, 'fr'],
  ['Norwegian', 'NO', 'no-NO'],
  ['norsk bokmål', 'NO', 'nb-NO'],
  ['Französisch', 'CH', 'fr-CH'],
  ['Klingonese', 'NL', null],
  ['x', 'NL', null],
  ['', 'NL', null],
])('“%s” in %s is %s', (text, country, tag) => expect(languageByName(text, country, 'de')).toBe(tag));
