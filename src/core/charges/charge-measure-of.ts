import { volumeWeight, type ChargeMeasure } from '../cart/charge-measure.ts';
import type { MeasuredCart } from '../cart/measures.ts';
import { chargeableWeightOf, packedCart } from '../cart/packing/packed-cart.ts';
import type { Weighing } from './weighing.ts';

/**
 * A measure of what is charged in the ordinary way. Weights are those of the packed parcels. Chargeable weight is the larger of
 * the weight and the volume's weight, parcel by parcel, in grams, a started gram counting whole (2-domain §2, §4; divisor: common
 * practice).
 */
export function chargeMeasureOf(
  measure: ChargeMeasure,
  cart: MeasuredCart,
  { volumeDivisor, packing }: Weighing,
): number {
  const { chargeableValue, charged } = cart.measures;
  switch (measure) {
    case 'goodsValue':
      return chargeableValue;
    case 'weight':
      return packing ? packedCart(cart, packing, 'charged').weight : charged.weight;
    case 'chargeableWeight':
      return packing
        ? chargeableWeightOf(packedCart(cart, packing, 'charged'), volumeDivisor)
        : Math.max(charged.weight, volumeWeight(charged.volume, volumeDivisor));
    case 'parcels':
      return packing ? packedCart(cart, packing, 'charged').parcels : Math.min(1, charged.items);
    default:
      return charged[measure];
  }
}
