import type { Delimiter } from '../tabular/csv-reader.ts';
import { firstRows, guessDelimiter } from '../tabular/guess-delimiter.ts';
import { guessEncoding, TextReader, type Encoding } from '../tabular/encoding.ts';
import { formsThatFit, type DateForm } from '../tabular/read-date.ts';
import { guessDecimalMark, type DecimalMark } from '../tabular/read-number.ts';
import { isCurrency } from '../money/currency.ts';
import { orderFields, productFields, type ImportField, type ImportKind } from './fields.ts';
import { lengthUnits, weightUnits, type Unit } from '../quantities/units.ts';
import { unaccented } from '../unaccented.ts';

/** Units in which files state weights and sizes. */
export const weightUnitsOfFiles = ['g', 'kg', 'oz', 'lb'] as const;
export const lengthUnitsOfFiles = ['mm', 'cm', 'in'] as const;

/** How a file is read: what its columns stand for, and how its figures and dates are written. */
export interface ImportMapping {
  kind: ImportKind;
  encoding: Encoding;
  delimiter: Delimiter;
  decimal: DecimalMark;
  dates: DateForm;
  /** of orders: a row for each order, or a row for each line of one */
  rows: 'orders' | 'lines';
  /** what the column of the goods value holds */
  goods: 'afterDiscount' | 'beforeDiscount' | 'withDelivery';
  weights: (typeof weightUnitsOfFiles)[number];
  sizes: (typeof lengthUnitsOfFiles)[number];
  /** market of all orders, where no column says it; null: by country or market column */
  market: string | null;
  /** field → position of its column, from 0 */
  columns: Record<string, number>;
}

export interface FileSample {
  heading: string[];
  rows: string[][];
}

/** What a file looks like from its first bytes. @param whole the bytes are the whole file */
export function sampleOf(
  start: Uint8Array,
  whole: boolean,
  encoding: Encoding,
  delimiter?: Delimiter,
): FileSample & { delimiter: Delimiter } {
  const text = new TextReader(encoding).read(start, true);
  const by = delimiter ?? guessDelimiter(text);
  const [heading = [], ...rows] = firstRows(text, by, 200, whole);
  return { heading: heading.map((name) => name.trim()), rows, delimiter: by };
}

/** Everything guessed from a file's first bytes; the person sees it and corrects it. */
export function guessMapping(
  kind: ImportKind,
  start: Uint8Array,
  whole: boolean,
): { mapping: ImportMapping; sample: FileSample } {
  const encoding = guessEncoding(start);
  const { delimiter, ...sample } = sampleOf(start, whole, encoding);
  const columns =
    kind === 'orders'
      ? guessColumns(orderFields, sample.heading)
      : { ...guessColumns(productFields, sample.heading), ...priceColumns(sample.heading) };
  const valuesOf = (field: string) =>
    columns[field] === undefined ? [] : sample.rows.map((row) => row[columns[field]!] ?? '');
  const money = [
    'goods',
    'delivery',
    'discount',
    'lineValue',
    ...Object.keys(columns).filter((field) => field.startsWith('price:')),
  ].flatMap(valuesOf);
  const headingOf = (field: string) => plainWords(sample.heading[columns[field] ?? -1] ?? '');
  // A column of shares or percentages is no amount: 0.2 off each order is not twenty cents.
  if (columns.discount !== undefined && areShares(valuesOf('discount'))) delete columns.discount;
  const numbers = valuesOf('number');
  const mapping: ImportMapping = {
    kind,
    encoding,
    delimiter,
    decimal: guessDecimalMark(money),
    dates: formsThatFit(valuesOf('placedAt').slice(0, 200))[0] ?? 'ymd',
    rows: columns.product !== undefined || new Set(numbers).size < numbers.length * 0.9 ? 'lines' : 'orders',
    goods:
      /total|totaal|gesamt/.test(headingOf('goods')) && !/sub|goods/.test(headingOf('goods'))
        ? 'withDelivery'
        : 'afterDiscount',
    weights: unitIn(headingOf('weight'), weightUnitsOfFiles, weightUnits),
    sizes: unitIn(headingOf('length'), lengthUnitsOfFiles, lengthUnits),
    market: null,
    columns,
  };
  return { mapping, sample };
}

/** The unit that a heading names; the first where it names none. */
function unitIn<Name extends string>(
  heading: string,
  names: readonly Name[],
  units: Readonly<Record<Name, Unit>>,
): Name {
  const said = heading.split(/[^a-z]+/);
  return names.find((name) => units[name].words.some((word) => said.includes(word))) ?? names[0]!;
}

/** Whether all figures are between 0 and 1 with some in between, or are written as percentages. */
function areShares(texts: readonly string[]): boolean {
  const said = texts.map((text) => text.trim()).filter((text) => text !== '');
  if (said.length > 0 && said.every((text) => text.endsWith('%'))) return true;
  const figures = said.map((text) => Number(text.replace(',', '.')));
  return (
    figures.length > 0 &&
    figures.every((figure) => figure >= 0 && figure <= 1) &&
    figures.some((figure) => figure > 0 && figure < 1)
  );
}

/** Each field takes the column whose heading says it most plainly; no column is taken twice. */
function guessColumns(fields: readonly ImportField[], heading: readonly string[]): Record<string, number> {
  const names = heading.map(plainWords);
  const candidates = fields.flatMap((field, order) =>
    field.words.flatMap((word, rank) => {
      const at = names.indexOf(word);
      return at < 0 ? [] : [{ field: field.id, at, score: rank + order / 100 }];
    }),
  );
  candidates.sort((a, b) => a.score - b.score);
  const columns: Record<string, number> = {};
  const taken = new Set<number>();
  for (const { field, at } of candidates) {
    if (columns[field] !== undefined || taken.has(at)) continue;
    columns[field] = at;
    taken.add(at);
  }
  return columns;
}

/** Headings such as “Price EUR” or “eur”. */
function priceColumns(heading: readonly string[]): Record<string, number> {
  const columns: Record<string, number> = {};
  for (const [at, name] of heading.entries()) {
    const code = /^(?:price|prijs|preis|prix|pris)?\s*([a-z]{3})$/.exec(plainWords(name))?.[1]?.toUpperCase();
    if (code && isCurrency(code)) columns[`price:${code}`] ??= at;
  }
  return columns;
}

/** Lower case, without accents, marks as single spaces; words run together in capitals are parted. */
function plainWords(text: string): string {
  return unaccented(text.replace(/([a-z])([A-Z])/g, '$1 $2'))
    .replaceAll('ø', 'o')
    .replaceAll('æ', 'ae')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
}

/** What is still missing before a file can be checked, in words; none: it can. */
export function missingIn({ kind, columns, market, rows }: ImportMapping): string[] {
  const has = (field: string) => columns[field] !== undefined;
  const missing = (kind === 'orders' ? orderFields : productFields)
    .filter((field: ImportField) => field.needed && !has(field.id))
    .map(({ label }) => `a column for the ${label}`);
  if (kind === 'orders') {
    if (market === null && !has('country') && !has('market'))
      missing.push('a column for the country or the market, or one market for all orders');
    if (!has('goods') && !(rows === 'lines' && has('lineValue'))) missing.push('a column for the goods value');
  }
  return missing;
}
