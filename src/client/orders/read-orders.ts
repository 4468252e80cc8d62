import { unpackMonths, type OrderColumns } from '../../core/orders/columns.ts';
import type { OrderMonth } from '../../core/orders/months.ts';
import { unpackShipments, type OrderShipments } from '../../core/orders/replay/shipments.ts';
import { addressOf, call } from '../http.ts';

/** How often the months are named anew when some have changed while they were read. */
export const mostTries = 5;
export const beingChanged = 'The orders are being changed; look again in a moment';
/** How long a month is waited for. ms */
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
    const read = await Promise.all(months.map((month) => readPart('GET /api/orders/months/{hash}', market, month)));
    if (read.every((bytes) => bytes !== null))
      return {
        months,
        columns: unpackMonths(
          read.map((bytes, index) => {
            const { options, arms } = months[index]!;
            return { bytes, options, arms };
          }),
        ),
      };
    months = await readMonths(market);
  }
  throw new Error(beingChanged);
}

/** Where orders that have been read went and what they weighed. @returns null when they have changed since @throws Error in words */
export async function readShipments(market: string, { months }: ReadOrders): Promise<OrderShipments | null> {
  const read = await Promise.all(
    months.map((month) => readPart('GET /api/orders/months/{hash}/shipments', market, month)),
  );
  return read.every((bytes) => bytes !== null) ? unpackShipments(read) : null;
}

/** @returns null when the month has changed since it was named */
async function readPart(
  of: 'GET /api/orders/months/{hash}' | 'GET /api/orders/months/{hash}/shipments',
  market: string,
  { month, hash }: OrderMonth,
): Promise<Uint8Array | null> {
  const response = await fetch(addressOf(of, { hash }, { market, month }), { signal: AbortSignal.timeout(timeout) });
  if (response.ok) return new Uint8Array(await response.arrayBuffer());
  if (response.status === 404) return null;
  throw new Error('The orders could not be read');
}
