import { unpackMonths, type OrderColumns } from '../../core/orders/columns.ts';
import type { OrderMonth } from '../../core/orders/months.ts';
import { apartMonths, monthsTogether } from '../../core/orders/travelling-months.ts';
import { unpackShipments, type OrderShipments } from '../../core/orders/replay/shipments.ts';
import { addressOf, call } from '../http.ts';

/** How often the months are named anew when some have changed while they were read. */
export const mostTries = 5;
export const beingChanged = 'The orders are being changed; look again in a moment';
/** How long months are waited for. ms */
const timeout = 60_000;

/** The months that a market has orders of. @throws Error in words */
export async function readMonths(market: string): Promise<OrderMonth[]> {
  const answer = await call('GET /api/orders/months', { query: { market } });
  if (!answer.ok) throw new Error(answer.problem.title);
  return answer.body.months;
}

/** A market's orders with the months that they were read from. */
export interface ReadOrders {
  months: readonly OrderMonth[];
  columns: OrderColumns;
}

/**
 * All orders of a market: only months that the browser does not keep travel.
 * @param named its months, where they have been read already @throws Error in words
 */
export async function readOrders(market: string, named?: readonly OrderMonth[]): Promise<ReadOrders> {
  let months = named ?? (await readMonths(market));
  for (let tries = 1; tries <= mostTries; tries++) {
    const read = await readParts('GET /api/orders/months/{hashes}', market, months);
    if (read) {
      const packed = read.map((bytes, index) => {
        const { options, arms } = months[index]!;
        return { bytes, options, arms };
      });
      return { months, columns: unpackMonths(packed) };
    }
    months = await readMonths(market);
  }
  throw new Error(beingChanged);
}

/** Where orders that have been read went and what they weighed. @returns null when they have changed since @throws Error in words */
export async function readShipments(market: string, { months }: ReadOrders): Promise<OrderShipments | null> {
  const read = await readParts('GET /api/orders/months/{hashes}/shipments', market, months);
  return read && unpackShipments(read);
}

type PartCall = 'GET /api/orders/months/{hashes}' | 'GET /api/orders/months/{hashes}/shipments';

/** @returns null when one of the months has changed since it was named */
async function readParts(of: PartCall, market: string, months: readonly OrderMonth[]): Promise<Uint8Array[] | null> {
  const read = await Promise.all(monthsTogether(months).map((together) => readTogether(of, market, together)));
  return read.every((parts) => parts !== null) ? read.flat() : null;
}

async function readTogether(of: PartCall, market: string, months: readonly OrderMonth[]): Promise<Uint8Array[] | null> {
  const hashes = months.map(({ hash }) => hash).join('-');
  const response = await fetch(addressOf(of, { hashes }, { market }), { signal: AbortSignal.timeout(timeout) });
  if (response.ok) return apartMonths(new Uint8Array(await response.arrayBuffer()));
  if (response.status === 404) return null;
  throw new Error('The orders could not be read');
}
