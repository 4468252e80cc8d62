import type { Problem } from '../http/problem.ts';
import { packedMonth, type MonthPart } from './order-months.ts';

/** A packed part of a month, to be kept without end. */
export async function monthAnswer(
  part: MonthPart,
  hash: string,
  { market, month }: { market: string; month: string },
): Promise<Problem | Response> {
  const packed = await packedMonth(part, market, month, hash);
  if (!packed)
    return {
      status: 404,
      title: 'These orders have changed',
      detail: 'They are no longer as this address has them. Read the months of the market anew.',
    };
  return new Response(packed as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': 'application/octet-stream',
      // What the address names never changes.
      'cache-control': 'private, max-age=31536000, immutable',
    },
  });
}
