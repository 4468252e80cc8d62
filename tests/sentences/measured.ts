import { toDecimal } from '../../src/core/money/decimal.ts';
import { readStatements } from '../../src/core/surfaces/statements/read-statements.ts';
import type { Statement, WrittenAmount } from '../../src/core/surfaces/statements/statement.ts';
import type { LabelledSentence } from './all-languages.ts';

const currencies: Readonly<Record<string, string>> = { en: 'GBP', da: 'DKK', ja: 'JPY' };

const amountOf = ({ minor, currency }: WrittenAmount): string => toDecimal(minor, currency).replace(/\.00$/, '');

/** A statement as it is labelled. */
export function labelOf(statement: Statement): string {
  switch (statement.kind) {
    case 'free':
      return 'free';
    case 'until': {
      const { year, month, day } = statement.date;
      const two = (count: number) => String(count).padStart(2, '0');
      return `until ${year ?? '-'}-${two(month)}-${two(day)}`;
    }
    case 'range':
      return `range ${amountOf(statement.from)}-${amountOf(statement.to)} ${statement.to.currency}`;
    default:
      return `${statement.kind} ${amountOf(statement.amount)} ${statement.amount.currency}`;
  }
}

/** Of what is found so much is right; of what there is so much is found. */
export interface Measured {
  sentences: number;
  found: number;
  labelled: number;
  right: number;
  /** sentences that are read otherwise than they are labelled */
  wrong: { text: string; labels: readonly string[]; read: readonly string[] }[];
}

export const precisionOf = ({ right, found }: Measured): number => (found === 0 ? 1 : right / found);
export const recallOf = ({ right, labelled }: Measured): number => (labelled === 0 ? 1 : right / labelled);

/** Reads sentences and counts what fits their labels. */
export function measured(sentences: readonly LabelledSentence[]): Measured {
  const all: Measured = { sentences: sentences.length, found: 0, labelled: 0, right: 0, wrong: [] };
  for (const { language, text, labels } of sentences) {
    const read = readStatements(text, { language, currency: currencies[language] ?? 'EUR' }).map(labelOf);
    const open = [...labels];
    const right = read.filter((one) => {
      const at = open.indexOf(one);
      if (at >= 0) open.splice(at, 1);
      return at >= 0;
    });
    all.found += read.length;
    all.labelled += labels.length;
    all.right += right.length;
    if (right.length < read.length || open.length > 0) all.wrong.push({ text, labels, read });
  }
  return all;
}
