/** What orders hold, as SKU and quantity. */
export type Basket = readonly (readonly [sku: string, quantity: number])[];

export interface Bought {
  sku: string;
  /** orders that hold it */
  orders: number;
}

export interface BoughtTogether {
  skus: [string, string];
  orders: number;
  /** how many times as often as if each were bought without regard to the other */
  times: number;
}

/** Which products orders hold most often, and which stand together more often than by chance. */
export function studyBaskets(
  baskets: Iterable<Basket>,
  most = 12,
): { baskets: number; products: Bought[]; pairs: BoughtTogether[] } {
  const single = new Map<string, number>();
  const double = new Map<string, number>();
  let count = 0;
  for (const basket of baskets) {
    const skus = [...new Set(basket.map(([sku]) => sku))].sort().slice(0, 40);
    if (skus.length === 0) continue;
    count++;
    for (const [i, sku] of skus.entries()) {
      single.set(sku, (single.get(sku) ?? 0) + 1);
      for (const other of skus.slice(i + 1)) double.set(`${sku}\n${other}`, (double.get(`${sku}\n${other}`) ?? 0) + 1);
    }
  }
  const products = [...single]
    .map(([sku, orders]) => ({ sku, orders }))
    .sort((a, b) => b.orders - a.orders || (a.sku < b.sku ? -1 : 1));
  const pairs = [...double]
    .map(([key, orders]): BoughtTogether => {
      const [a, b] = key.split('\n') as [string, string];
      return { skus: [a, b], orders, times: (orders * count) / (single.get(a)! * single.get(b)!) };
    })
    // A pair seen a few times only is as likely chance as habit.
    .filter(({ orders, times }) => orders >= Math.max(5, count / 200) && times > 1.2)
    .sort((a, b) => b.orders * Math.log(b.times) - a.orders * Math.log(a.times));
  return { baskets: count, products: products.slice(0, most), pairs: pairs.slice(0, most) };
}
