import { unpackMonths, type OrderColumns } from '../../core/orders/columns.ts';
import type { OrderMonth } from '../../core/orders/months.ts';
import { addressOf, call } from '../http.ts';

/** How often the months are named anew when some have changed while they were read. */
const mostTries = 5;
/** How long a month is waited for. ms */
const timeout = 60_000;

/** The months that a market has orders of. @throws Error in words */
export async function readMonths(market: string): Promise<OrderMonth[]> {
  const answer = await call('GET /api/orders/months', { query: { market } });
  if (!answer.ok) throw new Error(answer.problem.title);
  return answer.body.months;
}

/**
 * All orders of a market: only months that the browser does not keep travel.
 * @param named its months, where they have been read already @throws Error in words
 */
export async function readOrders(market: string, named?: readonly OrderMonth[]): Promise<OrderColumns> {
  let months = named ?? (await readMonths(market));
  for (let tries = 1; tries <= mostTries; tries++) {
    const read = await Promise.all(months.map((month) => readMonth(market, month)));
    if (read.every((bytes) => bytes !== null))
      return unpackMonths(read.map((bytes, index) => ({ bytes, options: months[index]!.options })));
    months = await readMonths(market);
  }
  throw new Error('The orders are being changed; look again in a moment');
}

/** @returns null when the month has changed since it was named */
async function readMonth(market: string, { month, hash }: OrderMonth): Promise<Uint8Array | null> {
  const response = await fetch(addressOf('GET /api/orders/months/{hash}', { hash }, { market, month }), {
    signal: AbortSignal.timeout(timeout),
  });
  if (response.ok) return new Uint8Array(await response.arrayBuffer());
  if (response.status === 404) return null;
  throw new Error('The orders could not be read');
}
