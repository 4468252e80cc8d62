import { ratioOf, roundRatio, type Ratio } from '../money/ratio.ts';

/** A unit as people use it, in grams or in mm. Factors are exact (NIST Special Publication 811, 2008, appendix B.8). */
export interface Unit {
  /** how many of the unit that is kept one of it is */
  factor: Ratio;
  /** under which it is written */
  words: readonly string[];
}

/** No weight in grams and no size in mm is larger: a thousand tonnes, a thousand kilometres. */
export const mostOfMeasure = 1_000_000_000;

const unit = (factor: string, ...words: string[]): Unit => ({ factor: ratioOf(factor), words });

/** In grams. The pound is the international avoirdupois one, the ounce a sixteenth of it. */
export const weightUnits = {
  g: unit('1', 'g', 'gr', 'gram', 'grams'),
  kg: unit('1000', 'kg', 'kilo', 'kilos'),
  oz: unit('28.349523125', 'oz', 'ounce', 'ounces'),
  lb: unit('453.59237', 'lb', 'lbs', 'pound', 'pounds'),
  t: unit('1000000', 't'),
} satisfies Record<string, Unit>;

/** In mm. */
export const lengthUnits = {
  mm: unit('1', 'mm'),
  cm: unit('10', 'cm'),
  in: unit('25.4', 'in', 'inch', 'inches', '"', '″'),
  m: unit('1000', 'm'),
  ft: unit('304.8', 'ft', 'foot', 'feet'),
} satisfies Record<string, Unit>;

/** A number of a unit in whole grams or mm, rounded once, half up. @param decimal such as "1.5" */
export function inWholes(decimal: string, { factor }: Unit): number {
  const { numerator, denominator } = ratioOf(decimal);
  return roundRatio({ numerator: numerator * factor.numerator, denominator: denominator * factor.denominator });
}

/** Reads a number with a unit, or without: then it is in the first. @returns null for anything else */
export function readMeasure(text: string, units: Readonly<Record<string, Unit>>): number | null {
  const match = /^(\d{1,9}(?:[.,]\d{1,6})?)\s*([a-z"″]*)$/i.exec(text.trim());
  if (!match) return null;
  const word = match[2]!.toLowerCase();
  const all = Object.values(units);
  const said = word === '' ? all[0] : all.find(({ words }) => words.includes(word));
  return said ? inWholes(match[1]!.replace(',', '.'), said) : null;
}
