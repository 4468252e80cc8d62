import { joinMonths, mostMonths } from '../../core/orders/travelling-months.ts';
import type { Problem } from '../http/problem.ts';
import { packedMonths, type MonthPart } from './order-months.ts';

const hashWritten = /^[0-9a-f]{32}$/;

/** A packed part of months, oldest first, to be kept without end. @param hashes with dashes between */
export async function monthsAnswer(part: MonthPart, market: string, hashes: string): Promise<Problem | Response> {
  const asked = hashes.split('-', mostMonths + 1);
  const known = asked.length <= mostMonths && asked.every((hash) => hashWritten.test(hash));
  const packed = known ? await packedMonths(part, market, asked) : null;
  if (!packed)
    return {
      status: 404,
      title: 'These orders have changed',
      detail: 'They are no longer as this address has them. Read the months of the market anew.',
    };
  return new Response(joinMonths(packed) as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': 'application/octet-stream',
      // What the address names never changes.
      'cache-control': 'private, max-age=31536000, immutable',
    },
  });
}
