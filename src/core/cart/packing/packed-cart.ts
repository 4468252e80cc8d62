import { ownDeliveryIn } from '../../catalogue/product-amount.ts';
import { volumeWeight } from '../charge-measure.ts';
import type { HypotheticalOrder } from '../hypothetical-order.ts';
import type { MeasuredCart } from '../measures.ts';
import { packFirstFit, type LikeParcels, type Pieces } from './first-fit.ts';
import { packedGrams, type CompiledPacking } from './rules.ts';

/** The goods of a cart that are charged in the ordinary way, in parcels. */
export interface PackedCart {
  parcels: number;
  /** of all parcels together, packaging and rounding up included; grams */
  weight: number;
  /** the larger of weight and volume's weight, parcel by parcel; grams. @param volumeDivisor cm³ that count as one kilogram */
  chargeableWeight: (volumeDivisor: number) => number;
  /** parcels that hold the same are one entry; none for an order that nobody has put together */
  like: readonly LikeParcels[];
}

/** Packed by rules; without any all is one parcel, to which nothing is added. */
export function packCart(cart: MeasuredCart, packing: CompiledPacking): PackedCart {
  return cart.hypothetical ? packHypothetical(cart.hypothetical, packing) : packLines(cart, packing);
}

function packLines({ lines, terms }: MeasuredCart, packing: CompiledPacking): PackedCart {
  const pieces = lines.flatMap(({ product, quantity }, line): Pieces[] =>
    product.needsDelivery && !product.shipsFree && ownDeliveryIn(product, terms) === undefined
      ? [{ line, grams: product.weightGrams ?? 0, quantity }]
      : [],
  );
  const like = packFirstFit(pieces, packing.mostGoods);
  const volumeOf = ({ contents }: LikeParcels): number => {
    let cubicMm = 0;
    for (const [line, quantity] of contents) {
      const { sizeMm } = lines[line]!.product;
      if (sizeMm) cubicMm += sizeMm[0] * sizeMm[1] * sizeMm[2] * quantity;
    }
    return Math.ceil(cubicMm / 1000);
  };
  const sum = (of: (parcel: LikeParcels) => number): number =>
    like.reduce((total, parcel) => total + parcel.count * of(parcel), 0);
  return {
    parcels: sum(() => 1),
    weight: sum(({ grams }) => packedGrams(packing, grams)),
    chargeableWeight: (volumeDivisor) =>
      sum((parcel) => Math.max(packedGrams(packing, parcel.grams), volumeWeight(volumeOf(parcel), volumeDivisor))),
    like,
  };
}

/**
 * A hypothetical order's goods can be divided anywhere, so that parcels are filled one after the other and every measure rises
 * with the weight: sweeps along it have exact edges. Its volume is that of all parcels together.
 */
function packHypothetical({ items, weight: goods, volume }: HypotheticalOrder, packing: CompiledPacking): PackedCart {
  const { mostGoods } = packing;
  const divided = mostGoods > 0 && goods > mostGoods;
  const full = divided ? Math.ceil(goods / mostGoods) - 1 : 0;
  const rest = divided ? goods - full * mostGoods : goods;
  const parcels = items > 0 ? full + 1 : 0;
  const weight = parcels === 0 ? 0 : full * packedGrams(packing, divided ? mostGoods : 0) + packedGrams(packing, rest);
  return {
    parcels,
    weight,
    chargeableWeight: (volumeDivisor) => Math.max(weight, volumeWeight(volume, volumeDivisor)),
    like: [],
  };
}
