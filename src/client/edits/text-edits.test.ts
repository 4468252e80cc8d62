import { describe, expect, test } from 'vitest';
import { smallStore } from '../../../tests/support/small-store.ts';
import { checkReferences } from '../../core/checks/references/check-references.ts';
import { withPatches } from '../../core/policy/patch.ts';
import type { Policy } from '../../core/policy/types.ts';
import { textTable } from '../../core/wording/text-table.ts';
import type { TextAddress } from '../../core/wording/text-address.ts';
import type { Edit } from './edit.ts';
import { dropUnfinished, keepTranslation, setText } from './text-edits.ts';

const store: Policy = { ...smallStore, store: { ...smallStore.store, sourceLanguage: 'en-GB' } };
const at = (language: string, place: TextAddress['place'] = 'everyPlace'): TextAddress => ({
  speakerId: 'free-delivery',
  state: 'progress',
  place,
  language,
});
const after = (policy: Policy, ...edits: Edit[]) =>
  edits.reduce((current, edit) => withPatches(current, [edit(current)]), policy);
const textsOf = (policy: Policy) => policy.wording['free-delivery']!.progress!.everyPlace!;
const statusOf = (policy: Policy, language: string) =>
  textTable(policy)
    .rows.find(({ state, place }) => state === 'progress' && place === 'everyPlace')!
    .cells.find((cell) => cell.language === language)!.status;

describe('a text is typed', () => {
  test('it is added with what must be around it, and taken away with what it leaves empty', () => {
    const strip = { ...at('fr-BE', 'strip'), state: 'reached' as const };
    const added = after(store, setText(strip, 'Livraison gratuite.'));
    expect(added.wording['free-delivery']!.reached!.strip).toEqual({ 'fr-BE': 'Livraison gratuite.' });
    const gone = after(added, setText(strip, ''));
    expect(gone.wording).toEqual(store.wording);
    expect(gone.textNotes ?? {}).toEqual({});
    expect(setText(strip, '')(store)).toEqual([]);
  });
  test('one that cannot be shown is kept beside it, and the last good one stays', () => {
    const broken = after(store, setText(at('nl-NL'), 'Nog {remaining tot gratis.'));
    expect(textsOf(broken)['nl-NL']).toBe(textsOf(store)['nl-NL']);
    expect(statusOf(broken, 'nl-NL')).toBe('unfinished');
    expect(checkReferences(broken)).toEqual([]);
    expect(after(broken, dropUnfinished(at('nl-NL'))).wording).toEqual(store.wording);
    const mended = after(broken, setText(at('nl-NL'), 'Nog {remaining} tot gratis.'));
    expect(textsOf(mended)['nl-NL']).toBe('Nog {remaining} tot gratis.');
    expect(mended.textNotes!['free-delivery']!.progress!.everyPlace!['nl-NL']).toEqual({
      madeFrom: textsOf(store)['en-GB'],
    });
  });
  test('one that cannot be shown is refused where shoppers would read it', () => {
    const forced = structuredClone(store);
    forced.wording['free-delivery']!.progress!.everyPlace!['nl-NL'] = '{nobody}';
    expect(checkReferences(forced)).toEqual([
      {
        pointer: '/wording/free-delivery/progress/everyPlace/nl-NL',
        message: expect.stringMatching(/cannot be shown/),
      },
    ]);
  });
});

test('a translation is stale once its source has changed, until it is written anew or said to be still right', () => {
  expect(statusOf(store, 'nl-NL')).toBe('written');
  const changed = after(store, setText(at('en-GB'), 'Only {remaining} more.'));
  expect(statusOf(changed, 'nl-NL')).toBe('stale');
  expect(statusOf(after(changed, keepTranslation(at('nl-NL'))), 'nl-NL')).toBe('written');
  expect(statusOf(after(changed, setText(at('nl-NL'), 'Nog maar {remaining}.')), 'nl-NL')).toBe('written');
  expect(statusOf(after(changed, setText(at('en-GB'), textsOf(store)['en-GB']!)), 'nl-NL')).toBe('written');
});
