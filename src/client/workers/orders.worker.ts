import { compileTerms } from '../../core/markets/terms.ts';
import { measureBunching } from '../../core/orders/bunching.ts';
import { splitMonths, unpackMonths, type OrderColumns } from '../../core/orders/columns.ts';
import { conditionOnOrders } from '../../core/orders/condition-on-orders.ts';
import { boundsOf, studyOrders } from '../../core/orders/study.ts';
import { tallyOf } from '../../core/orders/tally.ts';
import { columnsAddress, type OrdersReply, type OrdersRequest } from './orders-messages.ts';

/** Holds the orders of the markets looked at last as columns, and looks through them away from the page. */
const held = new Map<string, Promise<OrderColumns>>();
const mostHeld = 4;

const worker = self as unknown as {
  onmessage: ((event: MessageEvent<OrdersRequest>) => void) | null;
  postMessage: (reply: OrdersReply, transfer?: Transferable[]) => void;
};

worker.onmessage = ({ data }) => {
  void answer(data).catch((error: unknown) => {
    if (data.kind !== 'forget') held.delete(data.market);
    worker.postMessage({
      kind: 'failed',
      number: data.number,
      reason: error instanceof Error ? error.message : String(error),
    });
  });
};

async function answer(request: OrdersRequest): Promise<void> {
  if (request.kind === 'forget') {
    held.clear();
    return;
  }
  if (request.kind === 'hand') {
    hold(request.market, Promise.resolve(unpack(request.bytes)));
    return;
  }
  const columns = await columnsOf(request.market);
  if (request.kind === 'bounds')
    return worker.postMessage({ kind: 'bounds', number: request.number, bounds: boundsOf(columns) });
  if (request.kind === 'study') {
    const study = studyOrders(columns, request.filter);
    const { tally, density } = study;
    return worker.postMessage(
      { kind: 'study', number: request.number, study },
      [
        tally.values,
        tally.cumulative,
        tally.paying,
        tally.paid,
        tally.paidSquares,
        tally.free,
        ...(density ? [density.heights] : []),
      ].map((array) => array.buffer as ArrayBuffer),
    );
  }
  if (request.kind === 'condition') {
    const { market: id, condition, on } = request;
    const { market, store, rates, qualifiers, zoneOf } = on;
    const terms = compileTerms(market, { id, store, ...(rates ? { rates } : {}) });
    return worker.postMessage({
      kind: 'condition',
      number: request.number,
      result: conditionOnOrders(columns, condition, {
        qualifiers,
        terms,
        country: market.countries[0] ?? '',
        zoneOf: (option) => zoneOf[option] ?? '',
      }),
    });
  }
  const result = measureBunching(tallyOf(columns, request.filter), request.question, 1, (share) =>
    worker.postMessage({ kind: 'progress', number: request.number, share }),
  );
  worker.postMessage({ kind: 'bunching', number: request.number, result });
}

function columnsOf(market: string): Promise<OrderColumns> {
  return held.get(market) ?? hold(market, fetchColumns(market));
}

function hold(market: string, columns: Promise<OrderColumns>): Promise<OrderColumns> {
  held.set(market, columns);
  for (const oldest of held.keys()) if (held.size > mostHeld && oldest !== market) held.delete(oldest);
  return columns;
}

async function fetchColumns(market: string): Promise<OrderColumns> {
  const response = await fetch(columnsAddress(market));
  if (!response.ok)
    throw new Error(((await response.json()) as { title?: string }).title ?? 'The orders could not be read');
  return unpack(await response.arrayBuffer());
}

const unpack = (bytes: ArrayBuffer): OrderColumns => unpackMonths(splitMonths(new Uint8Array(bytes)).months);
