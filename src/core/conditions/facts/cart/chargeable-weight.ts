import { usualVolumeDivisor, volumeWeight } from '../../../cart/charge-measure.ts';
import { deliveredOf } from '../../asked.ts';
import { numberFact } from '../../forms/number.ts';

export const chargeableWeight = numberFact('cart.chargeableWeight', {
  about: 'The cart',
  name: 'chargeable weight',
  also: 'volumetric bulky heavy',
  called: 'the chargeable weight at 5000 cm³ a kilogram',
  said: ' g',
  unit: 'g',
  of: (facts) => {
    const { weight, volume } = deliveredOf(facts);
    return Math.max(weight, volumeWeight(volume, usualVolumeDivisor));
  },
  measure: 'chargeableWeight',
  usual: 10_000,
});
