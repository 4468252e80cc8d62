import type { RowDataPacket } from 'mysql2/promise';
import type { OrderReason, OrderVerdict } from '../../../core/orders/placed/compare-order.ts';
import type { AskedCart } from '../../../core/evaluation/asked-cart.ts';
import type { Agreement, ListedOrder, OrderListQuery, PlacedBetween } from '../../../contract/shapes/placed-order.ts';
import { reading } from '../../database/pool.ts';

const listedAtOnce = 200;

/** Where a list goes on: the moment and the number of the last order that was listed. */
const placeOf = (order: ListedOrder): string => Buffer.from(`${order.placedAt} ${order.number}`).toString('base64url');

function placeFrom(text: string): [at: Date, number: string] | null {
  const [, at, number] = /^(\S+) (.+)$/.exec(Buffer.from(text, 'base64url').toString()) ?? [];
  const instant = new Date(at ?? NaN);
  return number === undefined || Number.isNaN(instant.getTime()) ? null : [instant, number];
}

function conditionsOf({ from, until, market }: PlacedBetween): [conditions: string[], values: unknown[]] {
  const conditions = ['TRUE'];
  const values: unknown[] = [];
  const add = (condition: string, value: unknown) => {
    conditions.push(condition);
    values.push(value);
  };
  if (from !== undefined) add('placed_at >= ?', new Date(from));
  if (until !== undefined) add('placed_at < ?', new Date(until));
  if (market !== undefined) add('market_id = ?', market);
  return [conditions, values];
}

const disagreeing = ['more', 'less', 'notOffered', 'offerNotDue'] as const;

/** Orders that were reported, the newest first. */
export async function listOrders(query: OrderListQuery): Promise<{ orders: ListedOrder[]; next: string | null }> {
  const [conditions, values] = conditionsOf(query);
  if (query.verdict !== undefined) {
    conditions.push('verdict IN (?)');
    values.push(query.verdict === 'disagrees' ? disagreeing : [query.verdict]);
  }
  if (query.offer !== undefined) {
    conditions.push('order_number IN (SELECT order_number FROM redemption WHERE offer_id = ?)');
    values.push(query.offer);
  }
  if (query.state === 'standing') conditions.push('cancelled_at IS NULL');
  if (query.state === 'cancelled') conditions.push('cancelled_at IS NOT NULL');
  const place = query.after === undefined ? null : placeFrom(query.after);
  if (place) {
    conditions.push('(placed_at < ? OR (placed_at = ? AND order_number < ?))');
    values.push(place[0], place[0], place[1]);
  }
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      `SELECT * FROM placed_order WHERE ${conditions.join(' AND ')} ORDER BY placed_at DESC, order_number DESC LIMIT ?`,
      [...values, listedAtOnce + 1],
    );
    const shown = rows.slice(0, listedAtOnce);
    const offers = new Map<string, string[]>();
    const arms = new Map<string, string>();
    if (shown.length > 0) {
      const numbers = shown.map((row) => String(row.order_number));
      const [ofArms] = await pool.query<RowDataPacket[]>(
        "SELECT order_number, arm FROM past_order WHERE order_number IN (?) AND arm <> ''",
        [numbers],
      );
      for (const { order_number, arm } of ofArms) arms.set(String(order_number), String(arm));
      const [redeemed] = await pool.query<RowDataPacket[]>(
        'SELECT order_number, offer_id FROM redemption WHERE order_number IN (?) ORDER BY offer_id',
        [numbers],
      );
      for (const { order_number, offer_id } of redeemed)
        offers.set(String(order_number), [...(offers.get(String(order_number)) ?? []), String(offer_id)]);
    }
    const orders = shown.map((row) => {
      const number = String(row.order_number);
      return listed(row, offers.get(number) ?? [], arms.get(number) ?? '');
    });
    return { orders, next: rows.length > listedAtOnce ? placeOf(orders.at(-1)!) : null };
  });
}

const textOrNull = (value: unknown): string | null => (value === null ? null : String(value));
const momentOrNull = (value: unknown): string | null => (value === null ? null : (value as Date).toISOString());
const numberOrNull = (value: unknown): number | null => (value === null ? null : Number(value));

const listed = (row: RowDataPacket, offers: string[], arm: string): ListedOrder => ({
  number: String(row.order_number),
  placedAt: (row.placed_at as Date).toISOString(),
  reportedAt: (row.reported_at as Date).toISOString(),
  cancelledAt: momentOrNull(row.cancelled_at),
  market: String(row.market_id),
  currency: String(row.currency),
  option: String(row.option_id) === '' ? null : String(row.option_id),
  delivery: Number(row.delivery_minor),
  verdict: String(row.verdict) as OrderVerdict,
  because: textOrNull(row.because) as OrderReason | null,
  offer: textOrNull(row.offer_id),
  expected: numberOrNull(row.expected_minor),
  release: numberOrNull(row.release_number),
  arm,
  offers,
  asked: row.asked === null ? null : (JSON.parse(String(row.asked)) as AskedCart),
});

/** How many orders were charged as the rules say, and how many were not; cancelled ones are left out. */
export async function agreementOf(between: PlacedBetween): Promise<Agreement> {
  const [conditions, values] = conditionsOf(between);
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      `SELECT verdict, currency, COUNT(*) AS orders, COALESCE(SUM(delivery_minor - expected_minor), 0) AS beyond FROM placed_order WHERE cancelled_at IS NULL AND ${conditions.join(' AND ')} GROUP BY verdict, currency ORDER BY currency`,
      values,
    ),
  );
  const counted = (verdict: OrderVerdict) =>
    rows.reduce((sum, row) => sum + (row.verdict === verdict ? Number(row.orders) : 0), 0);
  const orders = rows.reduce((sum, row) => sum + Number(row.orders), 0);
  const beyond = (verdict: OrderVerdict, currency: string) =>
    rows.reduce((sum, row) => sum + (row.verdict === verdict && row.currency === currency ? Number(row.beyond) : 0), 0);
  const currencies = [...new Set(rows.map(({ currency }) => String(currency)))];
  return {
    orders,
    compared: orders - counted('notCompared'),
    disagreeing: {
      more: counted('more'),
      less: counted('less'),
      notOffered: counted('notOffered'),
      offerNotDue: counted('offerNotDue'),
    },
    charged: currencies
      .map((currency) => ({ currency, beyond: beyond('more', currency), below: -beyond('less', currency) }))
      .filter(({ beyond: more, below }) => more !== 0 || below !== 0),
  };
}
