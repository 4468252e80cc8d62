/** What is counted of a cart: pieces, lines, grams, grams, parcels, cm³, mm. */
export type CountMeasure = 'items' | 'lines' | 'weight' | 'chargeableWeight' | 'parcels' | 'volume' | 'longestSide';

/** What a charge's lines look at: goods value in minor units, or a count. */
export type ChargeMeasure = 'goodsValue' | CountMeasure;

/** How a measure is said. */
interface MeasureInWords {
  name: string;
  /** after a figure in a sentence that has named the measure */
  unit: string;
  /** after the figure of one unit */
  piece: string;
  /** after a field of the editor */
  editedIn: string;
  /** whether a figure with its unit tells the measure */
  saysItself: boolean;
}

export const measures: Record<ChargeMeasure, MeasureInWords> = {
  goodsValue: { name: 'goods value', unit: '', piece: '', editedIn: '', saysItself: true },
  weight: { name: 'weight', unit: ' g', piece: ' g', editedIn: 'g', saysItself: false },
  chargeableWeight: { name: 'chargeable weight', unit: ' g', piece: ' g', editedIn: 'g', saysItself: false },
  items: { name: 'number of items', unit: '', piece: ' item', editedIn: 'items', saysItself: true },
  lines: { name: 'number of lines', unit: '', piece: ' line', editedIn: 'lines', saysItself: true },
  parcels: { name: 'number of parcels', unit: '', piece: ' parcel', editedIn: 'parcels', saysItself: true },
  volume: { name: 'volume', unit: ' cm³', piece: ' cm³', editedIn: 'cm³', saysItself: false },
  longestSide: { name: 'longest side', unit: ' mm', piece: ' mm', editedIn: 'mm', saysItself: false },
};

/** All that are counted, in the order in which they are offered. */
export const countMeasures: readonly CountMeasure[] = [
  'weight',
  'chargeableWeight',
  'items',
  'lines',
  'parcels',
  'volume',
  'longestSide',
];

/** What a volume counts as in the chargeable weight, in started grams. @param volumeDivisor cm³ that count as one kilogram */
export function volumeWeight(volume: number, volumeDivisor: number): number {
  return Math.ceil((volume * 1000) / volumeDivisor);
}

/** Common practice for parcels: 5000 cm³ count as a kilogram. */
export const usualVolumeDivisor = 5000;
