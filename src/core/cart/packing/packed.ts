import type { LikeParcels } from '../../packing/first-fit.ts';
import type { CompiledPacking } from '../../packing/rules.ts';

/** A cart in parcels. Grams and cm³. */
export interface PackedCart {
  parcels: number;
  /** of all parcels together, packaging and rounding up included */
  weight: number;
  /** parcels that weigh and fill the same; of an order that nobody has put together all as one */
  each: readonly AlikeParcels[];
}

/** Parcels that weigh and fill the same. Grams and cm³ of each, a started cm³ counting whole. */
export interface AlikeParcels {
  count: number;
  /** with its packaging, rounded up */
  packed: number;
  /** of the goods in it */
  volume: number;
  /** a single piece that is heavier than a parcel may be */
  over: boolean;
}

/** Parcels that hold the same. */
export type PackedParcels = LikeParcels & AlikeParcels;

/** Which of the goods that need delivery: those that are charged in the ordinary way, or all. */
export type PackedGoods = 'charged' | 'delivered';

/** A cart as some rules pack it. */
export interface PackedBy {
  packing: CompiledPacking;
  goods: PackedGoods;
  made: PackedCart;
}
