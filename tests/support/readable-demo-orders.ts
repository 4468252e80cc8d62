import { generateOrders } from '../../demo/generate-orders.ts';
import { emptyColumns, optionIndex } from '../../src/core/orders/columns.ts';
import { emptyShipments, placeIndex } from '../../src/core/orders/replay/shipments.ts';
import type { ReadableOrders } from '../../src/core/reading/readable-orders.ts';

/** The demo’s orders by currency, knowing nothing of markets. */
export function readableDemoOrders(): ReadableOrders[] {
  const all = generateOrders();
  return [...new Set(all.map(({ currency }) => currency))].map((currency) => {
    const mine = all.filter((order) => order.currency === currency);
    const columns = emptyColumns(mine.length);
    const shipments = emptyShipments(mine.length);
    const options = new Map<string, number>();
    const places = new Map<string, number>();
    for (const [i, order] of mine.entries()) {
      columns.goods[i] = order.goodsMinor;
      columns.delivery[i] = order.deliveryMinor;
      columns.day[i] = Math.floor(order.placedAt.getTime() / 86_400_000);
      columns.option[i] = optionIndex(columns.options, options, order.optionId);
      columns.items[i] = order.items;
      shipments.grams[i] = order.weightGrams;
      shipments.place[i] = placeIndex(shipments.places, places, [order.country, '', order.postcode]);
    }
    return { currency, columns, shipments };
  });
}
