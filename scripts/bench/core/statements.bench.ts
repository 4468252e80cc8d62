import { readLanguages } from '../../../src/core/surfaces/statements/languages/languages.ts';
import { readStatements } from '../../../src/core/surfaces/statements/read-statements.ts';
import { labelledSentences, unseenSentences, type LabelledSentence } from '../../../tests/sentences/all-languages.ts';
import { measured, precisionOf, recallOf, type Measured } from '../../../tests/sentences/measured.ts';
import { median, type Bar } from '../bar.ts';

const inWords = (of: Measured) =>
  `precision ${precisionOf(of).toFixed(3)}, recall ${recallOf(of).toFixed(3)} (${of.sentences} sentences, ${of.labelled} statements)`;

/** How well statements of delivery prices are read, on sentences kept aside, and how fast a large page is. */
export function bars(): Bar[] {
  const aside = labelledSentences.filter((one) => one.aside);
  const by = (name: string, of: (one: LabelledSentence) => string) => {
    for (const value of new Set(aside.map(of)))
      console.log(`${name} ${value}: ${inWords(measured(aside.filter((one) => of(one) === value)))}`);
  };
  by('language', ({ language }) => language);
  by('kind', ({ kind }) => kind);
  console.log(`sentences that the reader was never changed for: ${inWords(measured(unseenSentences))}`);
  const all = measured(aside);
  const [precision, recall] = [precisionOf(all), recallOf(all)];
  const took = readLanguages.map((language) => ({ language, ms: pageOf(language) }));
  const slowest = took.reduce((most, one) => (one.ms > most.ms ? one : most));
  return [
    {
      name: 'statements of the third kept aside',
      measured: inWords(all),
      required: 'precision ≥ 0.97, recall ≥ 0.95',
      held: precision >= 0.97 && recall >= 0.95,
    },
    {
      name: 'reading a page of 1 MB',
      measured: `${slowest.ms.toFixed(0)} ms (${slowest.language}, the slowest of seven languages)`,
      required: 'under 300 ms',
      held: slowest.ms < 300,
    },
  ];
}

/** A page of sentences of all kinds, most of which say nothing of delivery. ms */
function pageOf(language: string): number {
  const sentences = labelledSentences.filter((one) => one.language === language);
  const some = sentences.map(({ text }) => text).join('\n');
  const other = sentences
    .filter(({ kind }) => kind === 'other')
    .map(({ text }) => text)
    .join('\n');
  const bytes = (text: string) => Buffer.byteLength(text);
  const rounds = Math.ceil((1_000_000 - bytes(some)) / bytes(`${other}\n`));
  const page = `${some}\n${`${other}\n`.repeat(rounds)}`;
  return median(
    Array.from({ length: 5 }, () => {
      const began = performance.now();
      readStatements(page, { language, currency: 'EUR' });
      return performance.now() - began;
    }),
  );
}
