import { measures, type CountMeasure } from '../cart/charge-measure.ts';

/** A count of a measure with its unit: grams from a kilogram on in kilograms. */
export function countInWords(measure: CountMeasure, count: number): string {
  switch (measure) {
    case 'items':
      return count === 1 ? '1 item' : `${count} items`;
    case 'lines':
      return count === 1 ? '1 line' : `${count} lines`;
    case 'parcels':
      return count === 1 ? '1 parcel' : `${count} parcels`;
    case 'volume':
      return `${count} cm³`;
    case 'longestSide':
      return `${count} mm`;
    case 'weight':
    case 'chargeableWeight':
      return count >= 1000 && count % 10 === 0 ? `${count / 1000} kg` : `${count} g`;
  }
}

/** What is counted again and again: “item”, “started kg”, “started 500 g”. Of what comes whole, a single one is never begun. */
export function unitInWords(measure: CountMeasure, per: number, started: boolean): string {
  const whole = per === 1 && measures[measure].saysItself;
  return `${started && !whole ? 'started ' : ''}${countInWords(measure, per).replace(/^1 /, '')}`;
}
