import { speakerName } from '../../core/wording/text-speaker.ts';
import { useState } from 'react';
import { takeTranslations } from '../../client/edits/text-edits.ts';
import { readTextCsv, textCsv } from '../../core/translations/text-csv.ts';
import { readXliff } from '../../core/translations/read-xliff.ts';
import { targetLanguages, type TranslationReading } from '../../core/translations/translation.ts';
import { xliffOf } from '../../core/translations/write-xliff.ts';
import { stateName, textAt } from '../../core/wording/text-address.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { ReadFile } from '../../ui/ReadFile.tsx';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useGuardedEdit } from '../page/use-edit.tsx';
import { saveCsv, saveFile } from '../page/save-file.ts';
import { part } from '../page/parts.ts';

const listed = 40;

/** Texts out to translators and in again: XLIFF for one language, or a table of all. What a file would change is shown before it does. */
export function TranslationFiles() {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const [reading, setReading] = useState<TranslationReading | null>(null);
  const [said, setSaid] = useState('');
  const targets = targetLanguages(policy);
  const [chosen, setChosen] = useState('');
  const into = targets.includes(chosen) ? chosen : targets[0];
  const read = (text: string | null) => {
    setSaid('');
    const readAs = text !== null && /^\ufeff?\s*</.test(text) ? readXliff : readTextCsv;
    setReading(text === null ? null : readAs(text, policy));
  };
  const take = () => {
    if (!reading || !edit(takeTranslations(reading.changed))) return;
    setSaid(`${count(reading.changed.length, 'text')} taken over. Undo takes all of it back.`);
    setReading(null);
  };
  return (
    <section
      ref={part('files for translators')}
      className="mt-3 border-t border-hairline pt-2 text-small"
      aria-label="Files for translators"
    >
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong className="font-head text-body">For translators</strong>
        {into !== undefined && (
          <span>
            into{' '}
            <PhraseSelect
              label="Language of the file for translators"
              value={into}
              options={targets.map((tag) => [tag, tag] as const)}
              choose={setChosen}
              testId="translators-language"
            />{' '}
            <SaveAs
              what={`texts for ${into}`}
              forms={[
                {
                  name: 'XLIFF 2.1',
                  save: () =>
                    saveFile(`texts-${into}.xlf`, new Blob([xliffOf(policy, into)], { type: 'application/xliff+xml' })),
                },
              ]}
            />
          </span>
        )}
        <SaveAs what="all texts" forms={[{ name: 'CSV, all languages', save: () => saveTable() }]} />
        <ReadFile
          label="read one"
          accept=".xlf,.xliff,.csv,text/csv,application/xliff+xml"
          what="A file of translations"
          mostMegabytes={5}
          read={read}
          testId="translation-file"
        />
      </p>
      {refusal}
      {reading && (
        <div className="border-l-2 border-primary pl-3" data-testid="translation-diff">
          <p>
            {reading.changed.length === 0
              ? 'It would change nothing.'
              : `It would change ${count(reading.changed.length, 'text')}.`}
            {reading.same > 0 && ` ${reading.same} as they are.`}
            {reading.empty > 0 && ` ${reading.empty} not translated.`}
          </p>
          <ul>
            {reading.changed.slice(0, listed).map(({ address, text }) => (
              <li key={`${address.speakerId} ${address.state} ${address.place} ${address.language}`}>
                <strong>{speakerName(policy, address.speakerId)}</strong>, {stateName(address.state)},{' '}
                {address.language}: {quoted(textAt(policy, address))} becomes “
                <span lang={address.language}>{text}</span>”
              </li>
            ))}
            {reading.changed.length > listed && <li>and {reading.changed.length - listed} more</li>}
            {reading.rejected.slice(0, listed).map(({ at, reason }, index) => (
              <li key={index} className="text-error">
                {at}: {reason}
              </li>
            ))}
          </ul>
          {reading.rejected.length > 0 && <p>What cannot be taken over stays as it is.</p>}
          <button
            type="button"
            className="btn btn-xs btn-primary"
            disabled={reading.changed.length === 0}
            onClick={take}
            data-testid="take-translations"
          >
            Take it over
          </button>
        </div>
      )}
      {said && <p role="status">{said}</p>}
    </section>
  );

  function saveTable() {
    const { heading, rows } = textCsv(policy);
    saveCsv('texts', heading, rows);
  }
}

const count = (number: number, what: string): string => `${number} ${what}${number === 1 ? '' : 's'}`;
const quoted = (text: string | undefined): string => (text === undefined ? 'nothing' : `“${text}”`);
