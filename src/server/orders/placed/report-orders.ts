import type { PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise';
import type { Problem } from '../../../contract/shapes/problem.ts';
import type { PlacedOrder, ReportedOrder } from '../../../contract/shapes/placed-order.ts';
import { inTransaction } from '../../database/pool.ts';
import { codeOf } from '../../database/unavailable.ts';
import { problemBody } from '../../http/problem.ts';
import { forgetState } from '../../current-state.ts';
import { ordersKeptFrom } from '../aggregate-orders.ts';
import { touchMonths } from '../order-months.ts';
import { comparedOrders, reportHash, type ReadyOrder } from './compared-orders.ts';
import { pastOrderRow, placedOrderColumns, placedOrderRow, reportedColumns } from './order-rows.ts';
import type { ReleasesInForce } from './release-at.ts';

/** What is known of a number that was reported before. */
interface Known {
  hash: Buffer;
  cancelled: boolean;
}

type KnownOrders = ReadonlyMap<string, Known>;

/**
 * Takes orders that the shop reports, all that can be taken in one transaction: among the past orders, with what they redeem.
 * The same number twice is one order.
 */
export async function reportOrders(
  orders: readonly PlacedOrder[],
  releases: ReleasesInForce,
): Promise<ReportedOrder[]> {
  const compared = await comparedOrders(orders, releases);
  try {
    return await overtaken(() => inTransaction((connection) => take(connection, orders, compared)));
  } finally {
    forgetState();
  }
}

/** Another report of the same number may come between looking and writing: then it is known. */
async function overtaken<T>(work: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      if (codeOf(error) !== 'ER_DUP_ENTRY' || attempt >= 5) throw error;
    }
  }
}

async function take(
  connection: PoolConnection,
  orders: readonly PlacedOrder[],
  compared: readonly (ReadyOrder | Problem)[],
): Promise<ReportedOrder[]> {
  const known = new Map(await knownOrders(connection, orders));
  const keptFrom = await ordersKeptFrom(connection);
  const fresh: ReadyOrder[] = [];
  const outcomes = compared.map((one, index): ReportedOrder => {
    const order = orders[index]!;
    const before = known.get(order.number);
    if (before) return ofKnown(order, before);
    if (Date.parse(order.placedAt) < keptFrom)
      return { ...nothingCompared, number: order.number, outcome: 'refused', problem: noLongerKept };
    if (!('order' in one)) return { ...nothingCompared, number: order.number, outcome: 'refused', problem: one };
    known.set(order.number, { hash: one.hash, cancelled: false });
    fresh.push(one);
    return { number: order.number, outcome: 'new', ...one.compared, problem: null };
  });
  if (fresh.length > 0) await addOrders(connection, fresh);
  return outcomes;
}

const nothingCompared = { verdict: null, because: null, offer: null, expected: null } as const;

function ofKnown(order: PlacedOrder, { hash, cancelled }: Known): ReportedOrder {
  const { number } = order;
  if (!hash.equals(reportHash(order)))
    return { ...nothingCompared, number, outcome: 'refused', problem: reportedOtherwise };
  return { ...nothingCompared, number, outcome: cancelled ? 'cancelled' : 'known', problem: null };
}

const reportedOtherwise = problemBody({
  status: 409,
  title: 'This number was reported otherwise',
  detail: 'The order stands as it was reported first. Cancel it, and report what it has become under another number.',
});

const noLongerKept = problemBody({
  status: 422,
  title: 'Orders of then are no longer kept one by one',
  detail: 'Nothing of it was kept: it may be counted already. The store says at Orders for how long they are kept.',
  fields: [{ pointer: '/placedAt', message: 'is too long ago' }],
});

async function knownOrders(connection: PoolConnection, orders: readonly PlacedOrder[]): Promise<KnownOrders> {
  const [rows] = await connection.query<RowDataPacket[]>(
    'SELECT order_number, report_hash, cancelled_at FROM placed_order WHERE order_number IN (?)',
    [orders.map(({ number }) => number)],
  );
  return new Map(
    rows.map((row) => [
      String(row.order_number),
      { hash: row.report_hash as Buffer, cancelled: row.cancelled_at !== null },
    ]),
  );
}

/**
 * What others write as well, months and how often offers were used, comes last and in this order in every transaction: so none
 * waits for another in a circle, and none for long.
 */
async function addOrders(connection: PoolConnection, orders: readonly ReadyOrder[]): Promise<void> {
  const numbers = orders.map(({ order }) => order.number);
  const returning = await returningShoppers(connection, orders);
  const now = new Date();
  await connection.query(`INSERT INTO placed_order (${placedOrderColumns.join(', ')}) VALUES ?`, [
    orders.map((one) => placedOrderRow(one, now)),
  ]);
  const redeemed = orders.flatMap(({ order, offers, shopper }) =>
    offers.map((offer) => ({ number: order.number, offer, shopper })),
  );
  if (redeemed.length > 0)
    await connection.query('INSERT INTO redemption (order_number, offer_id, shopper_hash) VALUES ?', [
      redeemed.map(({ number, offer, shopper }) => [number, offer, shopper]),
    ]);
  await addPastOrders(connection, orders, numbers, returning);
  if (redeemed.length > 0) await countUses(connection, redeemed);
  for (const offer of [...new Set(orders.flatMap(({ reservable }) => reservable))].sort()) {
    const shoppers = orders.flatMap(({ reservable, shopper }) =>
      shopper && reservable.includes(offer) ? shopper : [],
    );
    if (shoppers.length > 0)
      await connection.query('DELETE FROM reservation WHERE offer_id = ? AND shopper_hash IN (?)', [offer, shoppers]);
  }
}

/** One that a file has brought before becomes what the shop itself says of it. */
async function addPastOrders(
  connection: PoolConnection,
  orders: readonly ReadyOrder[],
  numbers: readonly string[],
  returning: ReadonlySet<string>,
): Promise<void> {
  const monthsOf =
    "SELECT DISTINCT market_id, currency, DATE_FORMAT(placed_at, '%Y-%m-01'), 1 FROM past_order WHERE order_number IN (?)";
  const rows = orders.map((one) => pastOrderRow(one, returning));
  const insert = (ignoring: string) => `INSERT ${ignoring} INTO past_order (${reportedColumns.join(', ')}) VALUES ?`;
  const [{ affectedRows }] = await connection.query<ResultSetHeader>(insert('IGNORE'), [rows]);
  if (affectedRows < orders.length) {
    await touchMonths(connection, monthsOf, [numbers]);
    const values = reportedColumns.map((column) => `${column} = VALUES(${column})`).join(', ');
    await connection.query(`${insert('')} ON DUPLICATE KEY UPDATE ${values}, import_id = NULL`, [rows]);
  }
  await touchMonths(connection, monthsOf, [numbers]);
}

async function countUses(connection: PoolConnection, redeemed: readonly { offer: string }[]): Promise<void> {
  const uses = new Map<string, number>();
  for (const { offer } of redeemed) uses.set(offer, (uses.get(offer) ?? 0) + 1);
  const rows = [...uses].sort(([a], [b]) => (a < b ? -1 : 1)).map(([offer, count]) => [offer, count, 1]);
  await connection.query(
    'INSERT INTO offer_use (offer_id, used, revision) VALUES ? ON DUPLICATE KEY UPDATE used = used + VALUES(used), revision = revision + 1',
    [rows],
  );
}

/** Shoppers who have ordered before, in hexadecimal. */
async function returningShoppers(
  connection: PoolConnection,
  orders: readonly ReadyOrder[],
): Promise<ReadonlySet<string>> {
  const shoppers = orders.flatMap(({ shopper }) => shopper ?? []);
  if (shoppers.length === 0) return new Set();
  const [rows] = await connection.query<RowDataPacket[]>(
    'SELECT DISTINCT shopper_hash FROM placed_order WHERE shopper_hash IN (?) AND cancelled_at IS NULL',
    [shoppers],
  );
  return new Set(rows.map((row) => (row.shopper_hash as Buffer).toString('hex')));
}
