import { readStore } from '../../../src/core/reading/read-store.ts';
import { compareReading } from '../../../tests/support/compare-reading.ts';
import { randomStore } from '../../../tests/support/random-stores.ts';
import type { Bar } from '../bar.ts';

const stores = 300;
const most = 1_000_000;

/** How well rules are read from the orders of stores made by chance, and how fast from a million. */
export function bars(): Bar[] {
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
  const share = (part: number, whole: number) => part / whole;
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
  ];
}

function speed(): Bar[] {
  const store = randomStore(5, { markets: 7, orders: most });
  let peak = 0;
  const used = () => {
    const { heapUsed, arrayBuffers } = process.memoryUsage();
    peak = Math.max(peak, heapUsed + arrayBuffers);
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
