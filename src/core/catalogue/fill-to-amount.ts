/** Something that can be put into a cart, at a price in minor units. */
export interface Priced {
  id: string;
  price: number;
}

/** Beyond so many sums the amount is looked for in larger coins. */
const mostSums = 400_000;

/**
 * Pieces that together come as near to an amount as any do, the lower of two as near, in as few pieces as can be. Exact where
 * the amount has at most some hundred thousand of the smallest coin that prices are multiples of; beyond, prices stand for
 * their nearest multiples of a larger one.
 *
 * @param amount minor units, at least 1
 * @returns pieces by id; empty where nothing has a price
 */
export function fillToAmount(goods: readonly Priced[], amount: number): Map<string, number> {
  const priced = goods.filter(({ price }) => price > 0);
  if (priced.length === 0) return new Map();
  const shared = priced.reduce((divisor, { price }) => greatestCommonDivisor(divisor, price), 0);
  const dearest = Math.max(...priced.map(({ price }) => price));
  // The nearest sum lies at most half the cheapest price above, and one piece more than what lies below.
  const end = amount + Math.min(...priced.map(({ price }) => price));
  const coin = Math.max(shared, Math.ceil(end / mostSums));
  const sums = Math.floor(end / coin);
  const costs = priced.map(({ price }) => Math.max(1, Math.round(price / coin)));
  /** fewest pieces that make a sum, and the last of them */
  const pieces = new Uint32Array(sums + 1).fill(0xffff_ffff);
  const last = new Int32Array(sums + 1).fill(-1);
  pieces[0] = 0;
  for (let sum = 0; sum <= sums; sum++) {
    if (pieces[sum] === 0xffff_ffff) continue;
    for (let index = 0; index < costs.length; index++) {
      const next = sum + costs[index]!;
      if (next > sums || pieces[next]! <= pieces[sum]! + 1) continue;
      pieces[next] = pieces[sum]! + 1;
      last[next] = index;
    }
  }
  let best = 0;
  for (let sum = 1; sum <= sums; sum++)
    if (last[sum] !== -1 && Math.abs(sum * coin - amount) < Math.abs(best * coin - amount)) best = sum;
  // A cart has something in it, be it dearer than the amount.
  if (best === 0) {
    const cheapest = priced.reduce((least, other) => (other.price < least.price ? other : least), {
      id: '',
      price: dearest + 1,
    });
    return new Map([[cheapest.id, 1]]);
  }
  const filled = new Map<string, number>();
  for (let sum = best; sum > 0; sum -= costs[last[sum]!]!) {
    const { id } = priced[last[sum]!]!;
    filled.set(id, (filled.get(id) ?? 0) + 1);
  }
  return filled;
}

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
