import { orderColumns } from '../order-columns.ts';
import { linesAsText } from '../order-store.ts';
import type { ReadyOrder } from './compared-orders.ts';

/** What is kept of a reported order among the past ones: no file says which arm it was of. */
export const reportedColumns = [...orderColumns, 'arm'] as const;

/** A row of `reportedColumns`. @param returning shoppers who have ordered before, in hexadecimal */
export function pastOrderRow(
  { order, evaluation, asked, shopper, arm }: ReadyOrder,
  returning: ReadonlySet<string>,
): unknown[] {
  const { measures, cart, marketId, currency } = evaluation;
  const { destination, codes, shopper: traits } = asked;
  const { withoutWeight, weight } = measures!.charged;
  return [
    order.number,
    new Date(order.placedAt),
    marketId,
    destination.country,
    destination.region ?? '',
    destination.postcode.slice(0, 16),
    currency,
    measures!.goodsValue,
    measures!.discount,
    null,
    order.delivery,
    order.option ?? '',
    measures!.items,
    withoutWeight.length > 0 ? null : weight,
    isReturning(shopper, traits?.orderCount, returning),
    shopper,
    codes?.[0] ?? '',
    linesAsText(cart!.lines.map(({ product, quantity }) => [product.sku, quantity])),
    arm,
  ];
}

/** Null where nobody knows. @param before past orders, as the shop says */
function isReturning(
  shopper: Buffer | null,
  before: number | undefined,
  returning: ReadonlySet<string>,
): boolean | null {
  if (before !== undefined) return before > 0;
  return shopper && returning.has(shopper.toString('hex')) ? true : null;
}

export const placedOrderColumns = [
  'order_number',
  'report_hash',
  'placed_at',
  'reported_at',
  'market_id',
  'currency',
  'option_id',
  'delivery_minor',
  'expected_minor',
  'verdict',
  'because',
  'offer_id',
  'release_number',
  'quote_id',
  'shopper_hash',
  'asked',
] as const;

/** What is kept of a report by itself. */
export function placedOrderRow(
  { order, hash, evaluation, compared, release, shopper, asked }: ReadyOrder,
  now: Date,
): unknown[] {
  const { verdict, because, offer, expected } = compared;
  const disagrees = verdict !== 'agrees' && verdict !== 'notCompared';
  return [
    order.number,
    hash,
    new Date(order.placedAt),
    now,
    evaluation.marketId,
    evaluation.currency,
    order.option ?? '',
    order.delivery,
    expected,
    verdict,
    because,
    offer,
    release,
    order.quote ?? null,
    shopper,
    disagrees ? JSON.stringify(asked) : null,
  ];
}
