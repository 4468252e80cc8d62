import type { Measures } from '../cart/measures.ts';

/** What a charge's lines look at: goods value in minor units, pieces, lines, grams, cm³, mm, grams. */
export type ChargeMeasure = 'goodsValue' | 'items' | 'lines' | 'weight' | 'volume' | 'longestSide' | 'chargeableWeight';

/**
 * A measure of what is charged in the ordinary way. Chargeable weight is the larger of the weight and the volume's
 * weight, in grams, a started gram counting whole (2-domain §2; divisor: common practice).
 *
 * @param volumeDivisor cm³ that count as one kilogram
 */
export function chargeMeasure(measure: ChargeMeasure, { chargeableValue, charged }: Measures, volumeDivisor: number): number {
  switch (measure) {
    case 'goodsValue':
      return chargeableValue;
    case 'chargeableWeight':
      return Math.max(charged.weight, Math.ceil((charged.volume * 1000) / volumeDivisor));
    default:
      return charged[measure];
  }
}
