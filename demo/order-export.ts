import { toDecimal } from '../src/core/money/decimal.ts';
import type { PastOrder } from '../src/server/orders/order-store.ts';

/** How an export is written. */
export interface ExportForm {
  delimiter: ',' | ';' | '\t';
  decimal: 'point' | 'comma';
  dates: 'ymd' | 'dmy' | 'mdy';
  rows: 'orders' | 'lines';
}

export const exportHeading = [
  'Order number',
  'Date',
  'Country',
  'Currency',
  'Goods value',
  'Discount',
  'Delivery charged',
  'Delivery option',
  'Items',
  'Weight (g)',
  'Postcode',
  'Customer',
  'New or returning',
];

const two = (n: number) => String(n).padStart(2, '0');

/** The lines of an order export such as a shop writes, without line ends; the heading first. Times are UTC. */
export function* orderExport(
  orders: Iterable<PastOrder>,
  { delimiter, decimal, dates, rows }: ExportForm,
): Generator<string> {
  const amount = (minor: number, currency: string) =>
    decimal === 'comma' ? toDecimal(minor, currency).replace('.', ',') : toDecimal(minor, currency);
  const cell = (text: string) =>
    text.includes(delimiter) || text.includes('"') ? `"${text.replaceAll('"', '""')}"` : text;
  yield (rows === 'lines' ? [...exportHeading, 'SKU', 'Quantity'] : exportHeading).map(cell).join(delimiter);
  let customer = 0;
  for (const order of orders) {
    const at = order.placedAt;
    const [year, month, day] = [String(at.getUTCFullYear()), two(at.getUTCMonth() + 1), two(at.getUTCDate())];
    const date = { ymd: `${year}-${month}-${day}`, dmy: `${day}.${month}.${year}`, mdy: `${month}/${day}/${year}` }[
      dates
    ];
    const time = `${two(at.getUTCHours())}:${two(at.getUTCMinutes())}:${two(at.getUTCSeconds())}`;
    customer = order.returning ? (customer * 7919 + 11) % 5000 : customer + 1;
    const cells = [
      order.orderNumber,
      `${date} ${time}${dates === 'ymd' ? 'Z' : ''}`,
      order.country,
      order.currency,
      amount(order.goodsMinor, order.currency),
      amount(order.discountMinor, order.currency),
      amount(order.deliveryMinor, order.currency),
      order.optionId,
      String(order.items),
      String(order.weightGrams),
      order.postcode,
      `shopper-${customer}@example.com`,
      order.returning ? 'returning' : 'new',
    ].map(cell);
    if (rows === 'orders') yield cells.join(delimiter);
    else for (const [sku, quantity] of order.lines) yield [...cells, sku, String(quantity)].join(delimiter);
  }
}
