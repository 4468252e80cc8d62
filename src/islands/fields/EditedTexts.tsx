import { setTextIn } from '../../client/edits/set-at.ts';
import type { Texts } from '../../core/policy/types.ts';
import { EditedField } from './EditedField.tsx';
import { parseText } from './typed-text.ts';

/** A text in each language that shoppers of a market read, and in those it has besides. */
export function EditedTexts({
  label,
  at,
  texts,
  languages,
  needed,
  placeholder = 'no text',
  testId,
}: {
  label: string;
  /** steps to the table of texts */
  at: readonly string[];
  texts: Texts | undefined;
  languages: readonly string[];
  /** the table stays when its last text goes */
  needed?: boolean;
  placeholder?: string;
  testId?: string;
}) {
  return [...new Set([...languages, ...Object.keys(texts ?? {})])].map((language) => (
    <span key={language} className="mr-3">
      <span className="text-soft">{language}</span>{' '}
      <EditedField
        label={`${label}, ${language}`}
        shown={texts?.[language] ?? ''}
        parse={parseText(1000)}
        change={(text) => setTextIn(at, language, text, needed)}
        placeholder={placeholder}
        testId={testId && `${testId}-${language}`}
      />
    </span>
  ));
}
