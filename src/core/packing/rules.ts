import type { PercentFraction } from '../money/rounding.ts';
import { percentAsFraction } from '../money/rounding.ts';

/** How goods are packed, as a policy says it; what it leaves out adds nothing. Grams. */
export interface PackingRules {
  /** of the packaging of each parcel */
  packaging?: number;
  /** added to the goods of a parcel, as a decimal string in percent */
  percent?: string;
  /** a parcel's weight is rounded up to a multiple of it */
  roundUpTo?: number;
  /** the most a parcel may weigh, packaging included, before it is rounded */
  most?: number;
}

/** Packing ready to be computed. */
export interface CompiledPacking {
  packaging: number;
  percent: PercentFraction;
  roundUpTo: number;
  /** the most grams of goods that a parcel holds; Infinity without a limit */
  mostGoods: number;
}

/** @returns null: nothing is added, and everything is one parcel */
export function compilePacking(rules: PackingRules | undefined): CompiledPacking | null {
  if (!rules) return null;
  const { packaging = 0, percent = '0', roundUpTo = 1, most } = rules;
  const packing: CompiledPacking = { packaging, percent: percentAsFraction(percent), roundUpTo, mostGoods: Infinity };
  if (most !== undefined) packing.mostGoods = goodsWithin(packing, most);
  return packing;
}

/** A parcel with its packaging, a started gram of the percentage counting whole; not rounded. */
function withPackaging({ packaging, percent }: CompiledPacking, goods: number): number {
  return goods + packaging + Math.ceil((goods * percent.numerator) / percent.denominator);
}

/** What a parcel weighs with its packaging, rounded up. @param goods grams of goods in it */
export function packedGrams(packing: CompiledPacking, goods: number): number {
  return Math.ceil(withPackaging(packing, goods) / packing.roundUpTo) * packing.roundUpTo;
}

/** The most goods that leave a parcel within a limit; 0 where its packaging alone does not. */
function goodsWithin(packing: CompiledPacking, most: number): number {
  const { numerator, denominator } = packing.percent;
  let goods = Math.max(0, Math.floor(((most - packing.packaging) * denominator) / (numerator + denominator)));
  while (goods > 0 && withPackaging(packing, goods) > most) goods--;
  while (withPackaging(packing, goods + 1) <= most) goods++;
  return goods;
}
