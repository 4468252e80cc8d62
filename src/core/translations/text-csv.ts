import type { TextState } from '../offers/texts-written.ts';
import type { Policy } from '../policy/types.ts';
import { CsvReader } from '../tabular/csv-reader.ts';
import { guessDelimiter } from '../tabular/guess-delimiter.ts';
import type { TextPlace } from '../wording/places.ts';
import { textTable } from '../wording/text-table.ts';
import { textAt } from '../wording/text-address.ts';
import {
  judgeTranslations,
  type TranslatedText,
  type TranslationReading,
  type TranslationRejection,
} from './translation.ts';

const addressColumns = ['offer', 'state', 'place'] as const;

/** What a spreadsheet would take for a formula; an apostrophe put before it by whoever writes CSV is taken off again. */
const guarded = /^'+[=+\-@\t\r]/;

/** All texts, a row for each state and place of an offer, a column for each language. docs/translations.md says what each holds. */
export function textCsv(policy: Policy): { heading: string[]; rows: string[][] } {
  const { languages, rows } = textTable(policy);
  return {
    heading: [...addressColumns, ...languages],
    rows: rows.map(({ speakerId, state, place }) => [
      speakerId,
      state,
      place,
      ...languages.map((language) => {
        const text = textAt(policy, { speakerId, state, place, language }) ?? '';
        return guarded.test(text) ? `'${text}` : text;
      }),
    ]),
  };
}

/** Reads such a table again, its columns in any order and any number of languages. An empty cell leaves a text as it is. */
export function readTextCsv(file: string, policy: Policy): TranslationReading {
  const text = file.replace(/^\ufeff/, '');
  const texts: (TranslatedText & { at: string })[] = [];
  const rejected: TranslationRejection[] = [];
  let columns: Map<string, number> | null = null;
  let missing = false;
  const row = (fields: string[], line: number) => {
    if (!columns) {
      columns = new Map(fields.map((name, index) => [name.trim(), index]));
      const lacking = addressColumns.filter((name) => !columns!.has(name));
      missing = lacking.length > 0;
      if (missing) rejected.push({ at: `line ${line}`, reason: `the heading lacks ${lacking.join(', ')}` });
      return;
    }
    if (missing) return;
    const cell = (name: string) => fields[columns!.get(name)!] ?? '';
    for (const [language, index] of columns) {
      if ((addressColumns as readonly string[]).includes(language) || language === '') continue;
      const written = fields[index] ?? '';
      const plain = guarded.test(written) ? written.slice(1) : written;
      texts.push({
        at: `line ${line}, ${language}`,
        address: {
          speakerId: cell('offer'),
          state: cell('state') as TextState,
          place: cell('place') as TextPlace,
          language,
        },
        text: plain,
        madeFrom: undefined,
      });
    }
  };
  const reader = new CsvReader(guessDelimiter(text) ?? ',', {
    row,
    fault: (reason, line) => rejected.push({ at: `line ${line}`, reason }),
  });
  reader.push(text);
  reader.end();
  if (!columns) rejected.push({ at: 'line 1', reason: 'the file is empty' });
  return judgeTranslations(policy, texts, rejected);
}
