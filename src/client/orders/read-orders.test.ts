import { afterEach, expect, test, vi } from 'vitest';
import { emptyColumns, packColumns } from '../../core/orders/columns.ts';
import type { OrderMonth } from '../../core/orders/months.ts';
import { joinMonths } from '../../core/orders/travelling-months.ts';
import { readOrders } from './read-orders.ts';

const hashOf = (version: number) => String(version).padStart(32, '0');
const monthAt = (version: number): OrderMonth => ({
  month: '2026-01-01',
  orders: version,
  options: ['door'],
  arms: [''],
  hash: hashOf(version),
});

/** Answers as the server does whose one month has as many orders as it has versions, and counts what it is asked. */
function serverAt(versionWhen: (asked: number) => number) {
  const asked = { months: 0, packed: 0 };
  vi.stubGlobal('fetch', async (address: string) => {
    if (address.startsWith('/api/orders/months?'))
      return Response.json({ currency: 'EUR', months: [monthAt(versionWhen(asked.months++))] });
    const version = versionWhen(asked.packed++ + 1);
    if (!address.includes(hashOf(version))) return new Response('', { status: 404 });
    return new Response(joinMonths([packColumns(emptyColumns(version))]) as Uint8Array<ArrayBuffer>);
  });
  return asked;
}

afterEach(() => vi.unstubAllGlobals());

test('a market’s orders are read month by month', async () => {
  const asked = serverAt(() => 7);
  expect((await readOrders('uk')).columns.count).toBe(7);
  expect(asked).toEqual({ months: 1, packed: 1 });
});

test('months that have been named already are not named again', async () => {
  const asked = serverAt(() => 7);
  expect((await readOrders('uk', [monthAt(7)])).columns.count).toBe(7);
  expect(asked).toEqual({ months: 0, packed: 1 });
});

test('a month that changes while it is read is named anew', async () => {
  const asked = serverAt((time) => (time === 0 ? 1 : 2));
  expect((await readOrders('uk')).columns.count).toBe(2);
  expect(asked).toEqual({ months: 2, packed: 2 });
});

test('one that changes without end is given up in words', async () => {
  let version = 0;
  vi.stubGlobal('fetch', async (address: string) =>
    address.startsWith('/api/orders/months?')
      ? Response.json({ currency: 'EUR', months: [monthAt(++version)] })
      : new Response('', { status: 404 }),
  );
  await expect(readOrders('uk')).rejects.toThrow('The orders are being changed; look again in a moment');
  expect(version).toBeLessThan(10);
});

test('a server that is away is told in words', async () => {
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('fetch failed');
  });
  await expect(readOrders('uk')).rejects.toThrow('Summant does not answer');
});
