import type { ChargeMeasure } from '../cart/charge-measure.ts';
import type { HypotheticalOrder } from '../cart/hypothetical-order.ts';

/** What a sweep walks along: goods value in minor units as shown, pieces, or grams. */
export type SweepAxis = 'goodsValue' | 'items' | 'weight';

/** Measures that move with the axis: at its own pace, but for weights of goods that are packed, and parcels. */
export const axisMeasures: Record<SweepAxis, readonly ChargeMeasure[]> = {
  goodsValue: ['goodsValue'],
  items: ['items'],
  weight: ['weight', 'chargeableWeight', 'parcels'],
};

/** How far a sweep looks: no cart is beyond it. */
export const axisReach: Record<SweepAxis, number> = { goodsValue: 1_000_000_000, items: 100_000, weight: 100_000_000 };

/** The order at a point of the axis, all else as in `order`. */
export function orderAt(axis: SweepAxis, order: HypotheticalOrder, at: number): HypotheticalOrder {
  switch (axis) {
    case 'goodsValue':
      return { ...order, value: at };
    case 'items':
      return { ...order, items: at };
    case 'weight':
      return { ...order, weight: at };
  }
}
