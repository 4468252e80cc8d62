import { describe, expect, test } from 'vitest';
import { smallStore } from '../../../tests/support/small-store.ts';
import { wordingFaults } from './faults.ts';
import { findText } from './find-text.ts';
import { optionLabel } from './option-label.ts';
import { policyWordingFaults } from './policy-faults.ts';
import { renderText } from './render.ts';

const faults = (text: string, language = 'en-GB', state: 'progress' | 'reached' = 'progress') => wordingFaults(text, language, state, ['strip'], 'EUR').map(({ message }) => message);

describe('mistakes in a text', () => {
  test('a good text has none', () => expect(faults('Add {remaining} more.')).toEqual([]));
  test('an empty text is not a mistake: the place inherits', () => expect(faults('')).toEqual([]));
  test('an unknown argument, and where', () => {
    const [fault] = wordingFaults('Add {remainin} more.', 'en-GB', 'reached', ['strip'], 'EUR');
    expect(fault).toMatchObject({ severity: 'wrong', at: { offset: 4, length: 10 } });
    expect(fault!.message).toMatch(/no argument \{remainin\}.*\{remaining\}/);
  });
  test('a missing one that the state needs', () => {
    expect(faults('Nearly there.')).toEqual(['It does not say {remaining}, what is still missing.']);
    expect(faults('Your delivery is free.', 'en-GB', 'reached')).toEqual([]);
  });
  test('braces that do not close', () => expect(faults('Add {remaining more.')[0]).toMatch(/cannot be read/));
  test('an amount put into a plural', () => expect(faults('{remaining, plural, one {a} other {b}}').join()).toMatch(/is an amount/));
  test('a text too long for its place', () => expect(faults(`${'word '.repeat(30)}{remaining}`).join()).toMatch(/shows at most 120/));
});

test('mistakes of a whole policy name the text they are in', () => {
  const policy = structuredClone(smallStore);
  expect(policyWordingFaults(policy)).toEqual([]);
  policy.wording['free-delivery']!.progress!.everyPlace!['nl-NL'] = 'Nog {reste}';
  expect(policyWordingFaults(policy)).toMatchObject([
    { offerId: 'free-delivery', state: 'progress', place: 'everyPlace', language: 'nl-NL', severity: 'wrong' },
    { message: expect.stringMatching(/does not say/) },
  ]);
});

describe('which text is shown', () => {
  const find = (place: 'strip' | 'cart', language: string, languages = ['nl-NL', 'fr-BE']) => findText(smallStore, 'free-delivery', 'progress', place, language, languages);
  test('the place’s own before that of every place', () => {
    expect(find('cart', 'nl-NL')).toMatchObject({ inherited: false, fallback: null });
    expect(find('strip', 'nl-NL')).toMatchObject({ inherited: true, fallback: null });
  });
  test('a language falls back to its base and then to the market’s first, and says so', () => {
    expect(find('strip', 'en-US')).toMatchObject({ language: 'en-GB', fallback: { wanted: 'en-US' } });
    expect(find('strip', 'fr-BE')).toMatchObject({ language: 'nl-NL', fallback: { wanted: 'fr-BE' } });
    expect(find('strip', 'fr-BE', ['fr-BE'])).toBeNull();
  });
  test('option labels fall back the same way, last to the internal name', () => {
    const option = smallStore.options['nlbe-door']!;
    expect(optionLabel(option, 'en-AU', ['nl-NL'])).toBe('Parcel to your door');
    expect(optionLabel(option, 'ja-JP', ['nl-NL'])).toBe('Pakket aan huis');
    expect(optionLabel(option, 'ja-JP', [])).toBe('Parcel to the door');
  });
});

test('a text is filled, never taken for markup, and a faulty one says nothing', () => {
  expect(renderText('<b>{remaining}</b>', 'en-GB', { remaining: '€1.00' })).toBe('<b>€1.00</b>');
  expect(renderText('{items, plural, one {one item} other {# items}}', 'en-GB', { items: 1 })).toBe('one item');
  expect(renderText('{items', 'en-GB', { items: 1 })).toBeNull();
  expect(renderText('{nobody}', 'en-GB', {})).toBeNull();
});
