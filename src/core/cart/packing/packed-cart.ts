import { ownDeliveryIn } from '../../catalogue/product-amount.ts';
import { atMostLargest } from '../../money/rounding.ts';
import type { CartLine } from '../cart.ts';
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
  like: readonly PackedParcels[];
}

/** Parcels that hold the same. Grams and cm³ of each, a started cm³ counting whole. */
export interface PackedParcels extends LikeParcels {
  /** with its packaging, rounded up */
  packed: number;
  /** of the goods in it */
  volume: number;
}

/** Which of the goods that need delivery: those that are charged in the ordinary way, or all. */
export type PackedGoods = 'charged' | 'delivered';

const known = new WeakMap<CompiledPacking, WeakMap<MeasuredCart, Map<PackedGoods, PackedCart>>>();

/** A cart packed by rules, worked out once: lines, prices and conditions ask for it many times. */
export function packedCart(cart: MeasuredCart, packing: CompiledPacking, goods: PackedGoods): PackedCart {
  let carts = known.get(packing);
  if (!carts) known.set(packing, (carts = new WeakMap()));
  let packed = carts.get(cart);
  if (!packed) carts.set(cart, (packed = new Map()));
  let made = packed.get(goods);
  if (!made) packed.set(goods, (made = packCart(cart, packing, goods)));
  return made;
}

function packCart(cart: MeasuredCart, packing: CompiledPacking, goods: PackedGoods): PackedCart {
  return cart.hypothetical ? packHypothetical(cart.hypothetical, packing) : packLines(cart, packing, goods);
}

function packLines({ lines, terms }: MeasuredCart, packing: CompiledPacking, goods: PackedGoods): PackedCart {
  const pieces: Pieces[] = [];
  for (const [line, { product, quantity }] of lines.entries()) {
    if (!product.needsDelivery) continue;
    if (goods === 'charged' && (product.shipsFree || ownDeliveryIn(product, terms) !== undefined)) continue;
    pieces.push({ line, grams: product.weightGrams ?? 0, quantity });
  }
  const like = packFirstFit(pieces, packing.mostGoods).map((parcel) => ({
    ...parcel,
    packed: packedGrams(packing, parcel.grams),
    volume: volumeOf(parcel, lines),
  }));
  const sum = (of: (parcel: PackedParcels) => number): number =>
    atMostLargest(like.reduce((total, parcel) => total + parcel.count * of(parcel), 0));
  return {
    parcels: sum(() => 1),
    weight: sum(({ packed }) => packed),
    chargeableWeight: (volumeDivisor) =>
      sum(({ packed, volume }) => Math.max(packed, volumeWeight(volume, volumeDivisor))),
    like,
  };
}

function volumeOf({ contents }: LikeParcels, lines: readonly CartLine[]): number {
  let cubicMm = 0;
  for (const [line, quantity] of contents) {
    const { sizeMm } = lines[line]!.product;
    if (sizeMm) cubicMm += sizeMm[0] * sizeMm[1] * sizeMm[2] * quantity;
  }
  return atMostLargest(Math.ceil(cubicMm / 1000));
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
