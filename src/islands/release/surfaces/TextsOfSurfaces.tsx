import { useMemo, useState } from 'react';
import { setTextIn } from '../../../client/edits/set-at.ts';
import { shippedWords, sourceWords } from '../../../core/surfaces/words/known-languages.ts';
import type { SurfaceTextId } from '../../../core/surfaces/words/surface-words.ts';
import { surfaceTextSample } from '../../../core/surfaces/words/samples.ts';
import { SurfaceWriter } from '../../../core/surfaces/words/surface-writer.ts';
import { surfaceTextFault, valuesOf } from '../../../core/surfaces/words/text-fault.ts';
import type { Parsed } from '../../../ui/TypedField.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue } from '../../page/page-context.tsx';

const ids = Object.keys(sourceWords) as SurfaceTextId[];
/** So many are listed at once. */
const mostListed = 40;

/** The words of generated texts in a language: as they ship, and the store's own in their place. */
export default function TextsOfSurfaces({ marketId, language }: { marketId: string; language: string }) {
  const policy = usePolicy();
  const catalogue = useCatalogue();
  const writer = useMemo(
    () => new SurfaceWriter({ policy, catalogue }, marketId, language),
    [policy, catalogue, marketId, language],
  );
  const [sought, setSought] = useState('');
  const shipped = shippedWords(language);
  const words = shipped ?? sourceWords;
  const own = (id: SurfaceTextId) => policy.surfaceTexts?.[id]?.[language];
  const wanted = sought.trim().toLowerCase();
  const found = ids.filter((id) =>
    [id, sourceWords[id], words[id], own(id) ?? ''].some((text) => text.toLowerCase().includes(wanted)),
  );
  const parse =
    (id: SurfaceTextId) =>
    (text: string): Parsed<string> => {
      const reason = text.trim() === '' ? null : surfaceTextFault(id, text, language);
      return reason === null ? { ok: true, value: text.trim() } : { ok: false, reason };
    };
  return (
    <div data-testid="surface-texts">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span>
          {language}:{' '}
          {shipped
            ? 'what is left empty is said as it ships.'
            : 'no words ship in this language; what is left empty is said in English.'}
        </span>
        <input
          className="field"
          type="search"
          aria-label="Search the words"
          placeholder="Search"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
      </p>
      <ul className="mt-1">
        {found.slice(0, mostListed).map((id) => (
          <li key={id} className="grid gap-x-4 border-b border-hairline py-1 sm:grid-cols-2">
            <span className="text-small text-soft" dir="auto">
              {sourceWords[id]}
            </span>
            <span>
              <EditedField
                label={`${sourceWords[id]}, in ${language}`}
                shown={own(id) ?? ''}
                placeholder={words[id]}
                parse={parse(id)}
                change={(text) => setTextIn(['surfaceTexts', id], language, text)}
                testId={`surface-text-${id}`}
              />
              {valuesOf(id).length > 0 && (
                <span
                  className="block text-fine text-soft"
                  lang={language}
                  dir="auto"
                  data-testid={`surface-sample-${id}`}
                >
                  {surfaceTextSample(id, writer)}
                </span>
              )}
            </span>
          </li>
        ))}
      </ul>
      {found.length > mostListed && (
        <p className="text-small text-soft">And {found.length - mostListed} more: search for a word of them.</p>
      )}
      {found.length === 0 && <p className="text-soft">No text holds that.</p>}
    </div>
  );
}
