import type { AnswerTo } from '../../src/contract/calls.ts';
import { unpackMonths, type OrderColumns } from '../../src/core/orders/columns.ts';
import type { OrderMonth } from '../../src/core/orders/months.ts';
import { apartMonths } from '../../src/core/orders/travelling-months.ts';
import { unpackShipments, type OrderShipments } from '../../src/core/orders/replay/shipments.ts';
import { call } from './api.ts';

/** The months of a market's orders, as the application names them. */
export async function monthsOf(address: string, market: string): Promise<OrderMonth[]> {
  const { body } = await call<AnswerTo<'GET /api/orders/months'>>(
    address,
    'GET',
    `/api/orders/months?market=${market}`,
  );
  return body.months;
}

export const monthsAddress = (address: string, market: string, months: readonly OrderMonth[], part = ''): string =>
  `${address}/api/orders/months/${months.map(({ hash }) => hash).join('-')}${part}?market=${market}`;

const partsOf = async (address: string, market: string, months: readonly OrderMonth[], part?: string) =>
  apartMonths(new Uint8Array(await (await fetch(monthsAddress(address, market, months, part))).arrayBuffer()));

/** All orders of a market, as a page reads them. */
export async function ordersOf(address: string, market: string): Promise<OrderColumns> {
  const months = await monthsOf(address, market);
  const bytes = await partsOf(address, market, months);
  return unpackMonths(months.map(({ options, arms }, index) => ({ options, arms, bytes: bytes[index]! })));
}

/** Where they went and what they weighed. */
export async function shipmentsOf(address: string, market: string): Promise<OrderShipments> {
  return unpackShipments(await partsOf(address, market, await monthsOf(address, market), '/shipments'));
}
