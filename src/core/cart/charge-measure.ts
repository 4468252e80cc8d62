import type { Measures } from './measures.ts';

/** What a charge's lines look at: goods value in minor units, pieces, lines, grams, cm³, mm, grams. */
export type ChargeMeasure = 'goodsValue' | 'items' | 'lines' | 'weight' | 'volume' | 'longestSide' | 'chargeableWeight';

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
  volume: { name: 'volume', unit: ' cm³', piece: ' cm³', editedIn: 'cm³', saysItself: false },
  longestSide: { name: 'longest side', unit: ' mm', piece: ' mm', editedIn: 'mm', saysItself: false },
};

/** What a volume counts as in the chargeable weight, in started grams. @param volumeDivisor cm³ that count as one kilogram */
export function volumeWeight(volume: number, volumeDivisor: number): number {
  return Math.ceil((volume * 1000) / volumeDivisor);
}

/** Common practice for parcels: 5000 cm³ count as a kilogram. */
export const usualVolumeDivisor = 5000;

/**
 * A measure of what is charged in the ordinary way. Chargeable weight is the larger of the weight and the volume's
 * weight, in grams, a started gram counting whole (2-domain §2; divisor: common practice).
 *
 * @param volumeDivisor cm³ that count as one kilogram
 */
export function chargeMeasure(
  measure: ChargeMeasure,
  { chargeableValue, charged }: Measures,
  volumeDivisor: number,
): number {
  switch (measure) {
    case 'goodsValue':
      return chargeableValue;
    case 'chargeableWeight':
      return Math.max(charged.weight, volumeWeight(charged.volume, volumeDivisor));
    default:
      return charged[measure];
  }
}
