import { ownDeliveryIn } from '../../catalogue/product-amount.ts';
import { atMostLargest } from '../../money/rounding.ts';
import type { CartLine } from '../cart.ts';
import { volumeWeight } from '../charge-measure.ts';
import type { HypotheticalOrder } from '../hypothetical-order.ts';
import { deliveredMeasures } from '../line-values.ts';
import type { MeasuredCart } from '../measures.ts';
import { packFirstFit, type LikeParcels, type Pieces } from '../../packing/first-fit.ts';
import type { AlikeParcels, PackedCart, PackedGoods, PackedParcels } from './packed.ts';
import { packedGrams, type CompiledPacking } from '../../packing/rules.ts';

/** A cart packed by rules, worked out once: lines, prices and conditions ask for it many times. */
export function packedCart(cart: MeasuredCart, packing: CompiledPacking, goods: PackedGoods): PackedCart {
  for (const one of cart.packed) if (one.packing === packing && one.goods === goods) return one.made;
  const made = packCart(cart, packing, goods);
  cart.packed.push({ packing, goods, made });
  return made;
}

/**
 * The larger of weight and volume's weight, parcel by parcel; grams.
 *
 * @param volumeDivisor cm³ that count as one kilogram
 */
export function chargeableWeightOf({ each }: PackedCart, volumeDivisor: number): number {
  let sum = 0;
  for (const { count, packed, volume } of each) sum += count * Math.max(packed, volumeWeight(volume, volumeDivisor));
  return atMostLargest(sum);
}

function packCart(cart: MeasuredCart, packing: CompiledPacking, goods: PackedGoods): PackedCart {
  if (cart.hypothetical) return packHypothetical(cart.hypothetical, packing);
  const { items, weight, volume } = goods === 'charged' ? cart.measures.charged : deliveredMeasures(cart);
  if (items === 0) return nothingPacked;
  // What all fits into is told by its sums.
  if (weight <= packing.mostGoods) return alone(packedGrams(packing, weight), volume);
  const like = likeParcels(cart, packing, goods);
  const sum = (of: (parcel: AlikeParcels) => number): number =>
    atMostLargest(like.reduce((total, parcel) => total + parcel.count * of(parcel), 0));
  const each = like.map(({ count, packed, volume: filled, over }) => ({ count, packed, volume: filled, over }));
  return { parcels: sum(() => 1), weight: sum(({ packed }) => packed), each: alike(each) };
}

const nothingPacked: PackedCart = { parcels: 0, weight: 0, each: [] };

const alone = (packed: number, volume: number, parcels = 1): PackedCart => ({
  parcels,
  weight: packed,
  each: [{ count: 1, packed, volume, over: false }],
});

/** Those that weigh and fill the same as one, in the order in which the first was begun. */
function alike(parcels: readonly AlikeParcels[]): AlikeParcels[] {
  const known = new Map<string, AlikeParcels>();
  for (const parcel of parcels) {
    const key = `${parcel.packed}/${parcel.volume}/${parcel.over}`;
    const same = known.get(key);
    if (same) same.count += parcel.count;
    else known.set(key, { ...parcel });
  }
  return [...known.values()];
}

/** The lines that travel. */
const isPacked = ({ product }: CartLine, { terms }: MeasuredCart, goods: PackedGoods): boolean =>
  product.needsDelivery &&
  (goods === 'delivered' || (!product.shipsFree && ownDeliveryIn(product, terms) === undefined));

/** A cart's parcels with what they hold; parcels that hold the same are one entry. None for a hypothetical order. */
export function likeParcels(cart: MeasuredCart, packing: CompiledPacking, goods: PackedGoods): PackedParcels[] {
  const { lines, hypothetical } = cart;
  if (hypothetical) return [];
  const pieces = lines.flatMap((one, line): Pieces[] =>
    isPacked(one, cart, goods) ? [{ line, grams: one.product.weightGrams ?? 0, quantity: one.quantity }] : [],
  );
  return packFirstFit(pieces, packing.mostGoods).map((parcel) => ({
    ...parcel,
    packed: packedGrams(packing, parcel.grams),
    volume: volumeOf(parcel, lines),
  }));
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
  if (items === 0) return nothingPacked;
  return alone(full * packedGrams(packing, divided ? mostGoods : 0) + packedGrams(packing, rest), volume, full + 1);
}
