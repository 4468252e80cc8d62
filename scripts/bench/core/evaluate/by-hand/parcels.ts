import type { Product } from '../../../../../src/core/catalogue/product.ts';

export interface Piece {
  product: Product;
  quantity: number;
}

export interface Packed {
  parcels: number;
  weight: number;
  /** at 6000 cm³ a kilogram */
  chargeable: number;
}

/** What a parcel of the store holds beside its 150 g of packaging. */
const mostGoods = 19_850;

/** The store's parcels: pieces one by one, the heaviest first, each into the first with room. */
export function packed(lines: readonly Piece[]): Packed {
  let grams = 0;
  let cubic = 0;
  for (const { product, quantity } of lines) {
    grams += product.weightGrams! * quantity;
    cubic += cubicOf(product) * quantity;
  }
  if (lines.length === 0) return { parcels: 0, weight: 0, chargeable: 0 };
  const parcels = grams <= mostGoods ? [{ grams, cubic }] : fitted(lines);
  const answer: Packed = { parcels: parcels.length, weight: 0, chargeable: 0 };
  for (const parcel of parcels) {
    const weight = parcel.grams + 150;
    answer.weight += weight;
    answer.chargeable += Math.max(weight, Math.ceil(Math.ceil(parcel.cubic / 1000) / 6));
  }
  return answer;
}

const cubicOf = ({ sizeMm }: Product): number => sizeMm![0] * sizeMm![1] * sizeMm![2];

function fitted(lines: readonly Piece[]): { grams: number; cubic: number }[] {
  const parcels: { grams: number; cubic: number }[] = [];
  for (const { product, quantity } of [...lines].sort((a, b) => b.product.weightGrams! - a.product.weightGrams!)) {
    const grams = product.weightGrams!;
    for (let piece = 0; piece < quantity; piece++) {
      const room = grams > mostGoods ? undefined : parcels.find((parcel) => parcel.grams + grams <= mostGoods);
      if (room) {
        room.grams += grams;
        room.cubic += cubicOf(product);
      } else parcels.push({ grams, cubic: cubicOf(product) });
    }
  }
  return parcels;
}
