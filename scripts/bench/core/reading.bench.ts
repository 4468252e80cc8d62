import { generateOrders } from '../../../demo/generate-orders.ts';
import { orderExport } from '../../../demo/order-export.ts';
import { readFileOfOrders } from '../../../src/client/orders/reading/read-file.ts';
import { guessMapping } from '../../../src/core/imports/mapping.ts';
import { proposedRules } from '../../../src/core/reading/proposed-rules.ts';
import { readStore } from '../../../src/core/reading/read-store.ts';
import { compareReading } from '../../../tests/support/compare-reading.ts';
import { randomStore } from '../../../tests/support/random-stores.ts';
import type { Bar } from '../bar.ts';

const stores = 300;
const most = 1_000_000;

/** How well rules are read from the orders of stores made by chance, and how fast from a million. */
export async function bars(): Promise<Bar[]> {
  const all = { wanted: 0, found: 0, read: 0, wrong: 0, explained: 0, truth: 0, right: 0, markets: 0, orders: 0 };
  const areas = { wanted: 0, found: 0, wrong: 0 };
  for (let seed = 1; seed <= stores; seed++) {
    const store = randomStore(seed);
    const markets = readStore(store.orders);
    const compared = compareReading(store, markets);
    all.wanted += compared.wanted;
    all.found += compared.found;
    all.read += compared.read;
    all.wrong += compared.wrong;
    all.explained += compared.explained[0];
    all.truth += compared.explained[1];
    all.right += compared.markets[0];
    all.markets += compared.markets[1];
    all.orders += store.orders.reduce((sum, { columns }) => sum + columns.count, 0);
    for (const { currency, area } of store.markets) {
      const found = markets.filter((market) => market.currency === currency).flatMap((market) => market.areas);
      const parts = found.flatMap((one) => one.parts.map(({ postcode }) => postcode)).join();
      if (area) areas.wanted++;
      if (area && parts === area.postcode) areas.found++;
      if (!area && parts !== '') areas.wrong++;
    }
  }
  const [recall, precision] = [share(all.found, all.wanted), 1 - share(all.wrong, all.read)];
  const explained = share(all.explained, all.truth);
  return [
    {
      name: `edges of ${stores} stores made by chance, ${all.orders} orders`,
      measured: `recall ${recall.toFixed(3)} of ${all.wanted} with orders on both sides, precision ${precision.toFixed(3)} of ${all.read}`,
      required: 'recall ≥ 0.99, precision ≥ 0.97',
      held: recall >= 0.99 && precision >= 0.97,
    },
    {
      name: '  orders explained, against the truth',
      measured: `${(share(all.explained, all.orders) * 100).toFixed(2)} % where the truth explains ${(share(all.truth, all.orders) * 100).toFixed(2)} %`,
      required: '≥ 99 % of what the truth explains',
      held: explained >= 0.99,
    },
    {
      name: '  markets and areas as they are',
      measured: `${all.right} of ${all.markets} markets, ${areas.found} of ${areas.wanted} areas, ${areas.wrong} that are none`,
      required: 'all, none',
      held: all.right === all.markets && areas.found === areas.wanted && areas.wrong === 0,
    },
    ...speed(),
    ...(await fromFile()),
  ];
}

function speed(): Bar[] {
  const store = randomStore(5, { markets: 7, orders: most });
  let peak = 0;
  const used = () => {
    peak = Math.max(peak, memory());
  };
  const began = performance.now();
  readStore(store.orders, used);
  used();
  const took = (performance.now() - began) / 1000;
  return [
    {
      name: 'reading 1,000,000 orders of seven markets',
      measured: `${took.toFixed(1)} s`,
      required: 'under 20 s',
      held: took < 20,
    },
    {
      name: '  memory, with the orders',
      measured: `${(peak / 1e6).toFixed(0)} MB`,
      required: 'under 500 MB',
      held: peak < 500e6,
    },
  ];
}

/** The same from an export, as the worker of an empty store reads it: a million of the demo’s orders, again and again by other numbers. */
async function fromFile(): Promise<Bar[]> {
  const file = exportOf(most);
  const mapping = guessMapping('orders', new Uint8Array(await file.slice(0, 500_000).arrayBuffer()), false).mapping;
  let [peak, told] = [0, 0];
  const before = memory();
  const hear = () => {
    told++;
    peak = Math.max(peak, memory() - before);
  };
  const began = performance.now();
  const { orders, rows } = await readFileOfOrders(file, mapping, 'Europe/Amsterdam', hear);
  const read = (performance.now() - began) / 1000;
  const proposals = readStore(orders, hear).map(proposedRules);
  const took = (performance.now() - began) / 1000;
  hear();
  const explained = share(
    proposals.reduce((sum, { market }) => sum + market.explained, 0),
    proposals.reduce((sum, { market }) => sum + market.orders, 0),
  );
  return [
    {
      name: `reading an export of ${rows} orders, ${(file.size / 1e6).toFixed(0)} MB`,
      measured: `${took.toFixed(1)} s, of which the file ${read.toFixed(1)}; progress told ${told} times; ${proposals.length} markets, ${(explained * 100).toFixed(2)} % explained`,
      required: 'under 20 s, ≥ 97 % explained',
      held: took < 20 && explained >= 0.97,
    },
    {
      name: '  memory beyond what there was before',
      measured: `${(peak / 1e6).toFixed(0)} MB`,
      required: 'under 500 MB',
      held: peak < 500e6,
    },
  ];
}

const share = (part: number, whole: number) => part / whole;

function memory(): number {
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return heapUsed + arrayBuffers;
}

function exportOf(count: number): File {
  const [heading, ...rows] = orderExport(generateOrders(), {
    delimiter: ';',
    decimal: 'comma',
    dates: 'ymd',
    rows: 'orders',
  });
  const parts = [`${heading}\r\n`];
  for (let done = 0, copy = 0; done < count; done += rows.length, copy++)
    parts.push(
      rows
        .slice(0, count - done)
        .map((row) => `${copy}-${row}\r\n`)
        .join(''),
    );
  return new File(parts, 'orders.csv');
}
