import { createReadStream, createWriteStream, readFileSync, statSync } from 'node:fs';
import { exportHeading, orderExport } from '../../../demo/order-export.ts';
import { generateOrders } from '../../../demo/generate-orders.ts';

export const rows = 1_000_000;

const mapping = {
  kind: 'orders',
  encoding: 'utf-8',
  delimiter: ';',
  decimal: 'comma',
  dates: 'dmy',
  rows: 'orders',
  goods: 'afterDiscount',
  weights: 'g',
  sizes: 'mm',
  market: null,
  columns: {
    number: 0,
    placedAt: 1,
    country: 2,
    currency: 3,
    goods: 4,
    discount: 5,
    delivery: 6,
    option: 7,
    items: 8,
    weight: 9,
    postcode: 10,
    customer: 11,
    shopper: 12,
  },
};

export interface ImportTimes {
  /** seconds */
  check: number;
  whole: number;
  /** MB */
  peak: number;
  /** ms */
  longestSilence: number;
}

/** A file through the whole import: read, checked, taken over, and the picture of every month made ready. */
export async function importFile(address: string, pid: number, file: string): Promise<ImportTimes> {
  const call = async (method: string, path: string, body?: unknown) =>
    (await (
      await fetch(address + path, {
        method,
        headers: { 'content-type': 'application/json' },
        ...(body ? { body: JSON.stringify(body) } : {}),
      })
    ).json()) as { id: number; state: string; fresh: number; rejected: number };
  const { id } = await call('POST', '/api/imports', {
    fileName: 'orders.csv',
    fileBytes: statSync(file).size,
    heading: exportHeading,
    mapping,
  });
  let peak = 0;
  let longestSilence = 0;
  let going = true;
  const watch = (async () => {
    while (going) {
      peak = Math.max(peak, Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024);
      const asked = performance.now();
      await (await fetch(`${address}/api/imports`)).text();
      longestSilence = Math.max(longestSilence, performance.now() - asked);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  })();
  const began = performance.now();
  const sent = await fetch(`${address}/api/imports/${id}/file`, {
    method: 'PUT',
    body: createReadStream(file) as unknown as ReadableStream,
    duplex: 'half',
  } as RequestInit);
  let run = (await sent.json()) as { id: number; state: string; fresh: number; rejected: number };
  const check = (performance.now() - began) / 1000;
  if (run.state !== 'checked' || run.fresh !== rows || run.rejected !== 0)
    throw new Error(`the file was not read as it should: ${JSON.stringify(run)}`);
  await call('POST', `/api/imports/${id}/apply`);
  while (run.state !== 'done') {
    await new Promise((resolve) => setTimeout(resolve, 50));
    run = await call('GET', `/api/imports/${id}`);
    if (run.state === 'failed' || run.state === 'cancelled') throw new Error(`the import ended as ${run.state}`);
  }
  const whole = (performance.now() - began) / 1000;
  // Until the picture of every month is ready too, which the next view would have to wait for.
  await fetch(`${address}/api/orders/months?market=nlbe`);
  going = false;
  await watch;
  return { check, whole, peak, longestSilence };
}

/** An order export with a million rows. */
export async function writeExport(file: string): Promise<void> {
  const stream = createWriteStream(file);
  let text = '';
  const orders = generateOrders(7, rows);
  // Other numbers than the demo store's own orders have.
  orders.forEach((order, i) => (order.orderNumber = `M-${1_000_000 + i}`));
  for (const line of orderExport(orders, { delimiter: ';', decimal: 'comma', dates: 'dmy', rows: 'orders' })) {
    text += `${line}\r\n`;
    if (text.length < 1 << 20) continue;
    if (!stream.write(text)) await new Promise<void>((resolve) => stream.once('drain', () => resolve()));
    text = '';
  }
  await new Promise<void>((resolve) => stream.end(text, () => resolve()));
}
