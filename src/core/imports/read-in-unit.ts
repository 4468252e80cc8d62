import { multiplyDivide } from '../money/rounding.ts';
import { readNumber, type DecimalMark } from '../tabular/read-number.ts';
import { lengthUnits, mostOfMeasure, weightUnits, type Unit } from '../quantities/units.ts';
import type { ImportMapping } from './mapping.ts';

/** So many digits after the mark count where a unit is no power of ten of grams or mm. */
const decimals = 6;

interface Reading {
  exponent: number;
  /** what a count of 10^−exponent parts is multiplied with; null where it is grams or mm already */
  by: readonly [numerator: number, denominator: number] | null;
}

/** A weight or a size of a file in whole grams or mm, at most a thousand million; null where it is none. */
export function readInUnit(
  text: string,
  mark: DecimalMark,
  unit: ImportMapping['weights'] | ImportMapping['sizes'],
): number | null {
  const { exponent, by } = readings[unit];
  const read = readNumber(text, mark, exponent);
  if (!read.ok || read.minor < 0 || read.minor > mostOfMeasure * 10 ** exponent) return null;
  const whole = by === null ? read.minor : multiplyDivide(read.minor, by[0], by[1]);
  return whole > mostOfMeasure ? null : whole;
}

const byTens = (exponent: number): Reading => ({ exponent, by: null });
const byFactor = ({ factor: { numerator, denominator } }: Unit): Reading => ({
  exponent: decimals,
  by: [Number(numerator), Number(denominator) * 10 ** decimals],
});

const readings: Record<ImportMapping['weights'] | ImportMapping['sizes'], Reading> = {
  g: byTens(0),
  kg: byTens(3),
  oz: byFactor(weightUnits.oz),
  lb: byFactor(weightUnits.lb),
  mm: byTens(0),
  cm: byTens(1),
  in: byFactor(lengthUnits.in),
};
