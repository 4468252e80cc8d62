import type { BrowserContext } from 'playwright-core';
import { trail } from '../../src/islands/frame/trail.ts';
import { median, type Bar } from './bar.ts';
import { bigStore } from './big-store.ts';
import { editTimes, livePage, visiting } from './in-browser.ts';

declare global {
  interface Window {
    liveAt?: number;
  }
}

/** In the page: ms from asking for it to the frame in which its view answers. */
const watchLive = `{
  const look = () => {
    if (document.documentElement?.dataset.live !== 'true') return requestAnimationFrame(look);
    const channel = new MessageChannel();
    channel.port1.onmessage = () => (window.liveAt = performance.now());
    requestAnimationFrame(() => channel.port2.postMessage(null));
  };
  requestAnimationFrame(look);
}`;

const amounts = ['71', '72', '73', '74', '75', '76', '77', '78', '79', '70'];
const edits: [path: string, name: string, field: string, values: string[]][] = [
  ['/offers?market=nlbe', 'Offers: a goal', 'grid-free-delivery-nlbe', amounts],
  ['/markets?market=nlbe', 'Markets: tax on delivery', 'tax-delivery', amounts],
  ['/delivery?market=nlbe', 'Delivery: a price', 'price-1', amounts],
];

/** Every stop over a store of 60 markets, 400 zones, 3,000 options and 20,000 postcodes. */
export async function bars(): Promise<Bar[]> {
  return visiting('summant_bench_big', bigStore(), async (visitor, address) => {
    const opened: Bar[] = [];
    for (const { id, name } of trail) {
      const times = [];
      for (let i = 0; i < 6; i++) times.push(await openStop(visitor, `${address}/${id}`));
      opened.push({
        name: `${name} opens`,
        measured: `${median(times.slice(1)).toFixed(0)} ms, first ${times[0]!.toFixed(0)} ms`,
        required: 'median < 1500 ms',
        held: median(times.slice(1)) < 1500,
      });
    }
    const edited: Bar[] = [];
    for (const [path, name, field, values] of edits)
      edited.push(...(await editBars(visitor, `${address}${path}`, name, field, values)));
    return [...opened, ...edited];
  });
}

async function openStop(visitor: BrowserContext, address: string): Promise<number> {
  const page = await visitor.newPage();
  await page.addInitScript(watchLive);
  await page.goto(address, { waitUntil: 'commit' });
  await page.waitForFunction(() => window.liveAt !== undefined);
  const time = await page.evaluate(() => window.liveAt!);
  await page.close();
  return time;
}

/** Types values into a field: how long until everything is repainted, and until the server has them. */
async function editBars(
  visitor: BrowserContext,
  address: string,
  name: string,
  testId: string,
  values: string[],
): Promise<Bar[]> {
  const page = await livePage(visitor, address);
  const edits = await editTimes(page, testId, values);
  // A tab left open would take part in the edits of the next.
  await page.close();
  const bar = (what: string, times: number[]): Bar => ({
    name: `${name}, ${what}`,
    measured: `${median(times).toFixed(0)} ms, slowest ${Math.max(...times).toFixed(0)} ms`,
    required: 'median < 100 ms',
    held: median(times) < 100,
  });
  return [
    bar(
      'typed until the bench is repainted',
      edits.map(({ repainted }) => repainted),
    ),
    bar(
      'left until it is saved',
      edits.map(({ saved }) => saved),
    ),
  ];
}
