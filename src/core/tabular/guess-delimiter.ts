import { CsvReader, type Delimiter } from './csv-reader.ts';

export const delimiters: readonly Delimiter[] = [',', ';', '\t'];

/** The delimiter under which the first rows have the same number of fields most often, and more than one. */
export function guessDelimiter(text: string): Delimiter {
  let best: { delimiter: Delimiter; score: number } = { delimiter: ',', score: 0 };
  for (const delimiter of delimiters) {
    const widths = firstRows(text, delimiter, 50).map((row) => row.length);
    const width = widths[0] ?? 0;
    if (width < 2) continue;
    const score = widths.filter((other) => other === width).length / widths.length + width / 1000;
    if (score > best.score) best = { delimiter, score };
  }
  return best.delimiter;
}

/** The first rows of a text that may be cut off anywhere: what the cut leaves of its last row is left out. */
export function firstRows(text: string, delimiter: Delimiter, count: number, whole = false): string[][] {
  const rows: string[][] = [];
  const reader = new CsvReader(delimiter, { row: (fields) => void rows.push(fields), fault: () => {} });
  reader.push(text.slice(0, 200_000));
  if (whole) reader.end();
  return rows.slice(0, count);
}
