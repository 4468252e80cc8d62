import type { EvaluationInput } from '../../../../../src/core/evaluation/evaluation.ts';
import type { Piece } from './parcels.ts';

export interface Sums {
  goods: number;
  counted: number;
  countedUntaxed: number;
  countedTax: number;
  chargeable: number;
  chargeableUntaxed: number;
  goodsTax: number;
  kiteValue: number;
  kiteQuantity: number;
  /** kites and windsocks from the letter's price up */
  letterGoods: number;
  lineTaxes: { value: number; rate: number; letter: boolean }[];
  spares: number;
  items: number;
  lines: number;
  most: number;
  dearestUntaxed: number;
  /** charged in the ordinary way */
  charged: { items: number; lines: number; volume: number; side: number; pieces: Piece[] };
  /** all that is delivered */
  delivered: { weight: number; volume: number; side: number };
  countedWeight: number;
  own: number;
  heavy: boolean;
  onlySpares: boolean;
  giftCards: boolean;
  needsDelivery: boolean;
  /** working days before the slowest of the goods can leave */
  prepare: number;
  ordinary: boolean;
  barred: boolean;
}

export const included = (amount: number, rate: number, per: number): number =>
  Math.floor((2 * amount * rate + per + rate) / (2 * (per + rate)));
export const share = (amount: number, rate: number, per: number): number =>
  Math.floor((2 * amount * rate + per) / (2 * per));

type Line = EvaluationInput['cart']['lines'][number];

/** Lines of one product are one. */
function merged(lines: readonly Line[]): readonly Line[] {
  let once: Line[] | null = null;
  for (let index = 1; index < lines.length; index++) {
    const before = lines.findIndex(({ product }) => product === lines[index]!.product);
    if (before < index) once ??= lines.slice(0, index);
    if (!once) continue;
    const known = once.findIndex(({ product }) => product === lines[index]!.product);
    if (known < 0) once.push(lines[index]!);
    else once[known] = { ...once[known]!, quantity: once[known]!.quantity + lines[index]!.quantity };
  }
  return once ?? lines;
}

/** Prices that follow the one in EUR, at the adopted rates. */
const followed: Record<string, number> = { dk: 14_500, ch: 1840 };

/** @param standard, reduced tax rates in `per` @param letterFrom from which unit price the letter's discount is, @param spareBelow up to which three spares count */
export function sumsOf(
  { cart, destination }: EvaluationInput,
  market: string,
  withTax: boolean,
  standard: number,
  reduced: number,
  per: number,
  letterFrom: number,
  spareBelow: number,
): Sums {
  const sums: Sums = {
    goods: 0,
    counted: 0,
    countedUntaxed: 0,
    countedTax: 0,
    chargeable: 0,
    chargeableUntaxed: 0,
    goodsTax: 0,
    kiteValue: 0,
    kiteQuantity: 0,
    letterGoods: 0,
    lineTaxes: [],
    spares: 0,
    items: 0,
    lines: 0,
    most: 0,
    dearestUntaxed: 0,
    charged: { items: 0, lines: 0, volume: 0, side: 0, pieces: [] },
    delivered: { weight: 0, volume: 0, side: 0 },
    countedWeight: 0,
    own: 0,
    heavy: false,
    onlySpares: cart.lines.length > 0,
    giftCards: false,
    needsDelivery: false,
    prepare: 0,
    ordinary: false,
    barred: false,
  };
  let charged = 0;
  let delivered = 0;
  for (const { product, quantity } of merged(cart.lines)) {
    const listed = product.prices[market];
    const unit = typeof listed === 'number' ? listed : followed[market]!;
    const value = unit * quantity;
    const rate = product.taxClass === 'reduced' ? reduced : standard;
    const tax = value === 0 ? 0 : withTax ? included(value, rate, per) : share(value, rate, per);
    const untaxed = withTax ? value - tax : value;
    const category = product.categories[0];
    sums.goods += value;
    sums.goodsTax += tax;
    sums.items += quantity;
    sums.lines += 1;
    if (quantity > sums.most) sums.most = quantity;
    if (untaxed > sums.dearestUntaxed) sums.dearestUntaxed = untaxed;
    if (product.countsTowardGoals) {
      sums.counted += value;
      sums.countedUntaxed += untaxed;
      sums.countedTax += tax;
      if (category === 'spares' && unit < spareBelow) sums.spares += quantity;
      if (product.needsDelivery) sums.countedWeight += (product.weightGrams ?? 0) * quantity;
    }
    const letter = (category === 'kites' || category === 'windsocks') && unit >= letterFrom;
    if (letter) sums.letterGoods += value;
    sums.lineTaxes.push({ value, rate, letter });
    if (category === 'kites') {
      sums.kiteValue += value;
      sums.kiteQuantity += quantity;
    }
    if (product.tags.includes('heavy')) sums.heavy = true;
    if (category !== 'spares' && category !== 'lines' && category !== 'reels') sums.onlySpares = false;
    if (category === 'gift-cards') sums.giftCards = true;
    if (
      product.notTo.length > 0 &&
      (product.notTo.includes(destination.country) || product.notTo.includes(destination.region ?? '-'))
    )
      sums.barred = true;
    if (!product.needsDelivery) {
      sums.chargeable += value;
      sums.chargeableUntaxed += untaxed;
      continue;
    }
    sums.needsDelivery = true;
    if (product.preparationDays > sums.prepare) sums.prepare = product.preparationDays;
    const size = product.sizeMm!;
    const cubic = size[0] * size[1] * size[2] * quantity;
    const side = Math.max(size[0], size[1], size[2]);
    delivered += cubic;
    sums.delivered.weight += product.weightGrams! * quantity;
    if (side > sums.delivered.side) sums.delivered.side = side;
    if (product.shipsFree) continue;
    if (product.ownDelivery) {
      sums.own += (product.ownDelivery[market] as number) * quantity;
      continue;
    }
    sums.ordinary = true;
    sums.chargeable += value;
    sums.chargeableUntaxed += untaxed;
    charged += cubic;
    sums.charged.items += quantity;
    sums.charged.lines += 1;
    sums.charged.pieces.push({ product, quantity });
    if (side > sums.charged.side) sums.charged.side = side;
  }
  sums.charged.volume = Math.ceil(charged / 1000);
  sums.delivered.volume = Math.ceil(delivered / 1000);
  return sums;
}
