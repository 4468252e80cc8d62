import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type BrowserContext } from 'playwright-core';
import { trail } from '../../src/islands/frame/trail.ts';
import { freshDatabase, startApplication, startTestDatabase } from '../../tests/support/application.ts';
import { chromiumArguments } from '../setup/chromium.mjs';
import { programFromDebian } from '../setup/debian.mjs';
import { median, type Bar } from './bar.ts';
import { bigStore } from './big-store.ts';

declare global {
  interface Window {
    liveAt?: number;
    editsAt: (testId: string, values: string[]) => Promise<{ repainted: number; saved: number }[]>;
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
  const database = await startTestDatabase('bench');
  const application = await startApplication({ DATABASE_URL: await freshDatabase(database.url, 'summant_bench_big') });
  // One visitor, who has been here before: what the browser may keep, files and compiled scripts, it keeps in a profile of its own.
  const profile = await mkdtemp(join(tmpdir(), 'summant-visitor-'));
  const visitor = await chromium.launchPersistentContext(profile, { executablePath: programFromDebian('chromium', ['chromium', 'fonts-liberation']), args: chromiumArguments, viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
  try {
    await putBigStore(application.address);
    const opened: Bar[] = [];
    for (const { id, name, built } of trail) {
      if (!built) continue;
      const times = [];
      for (let i = 0; i < 6; i++) times.push(await openStop(visitor, `${application.address}/${id}`));
      opened.push({ name: `${name} opens`, measured: `${median(times.slice(1)).toFixed(0)} ms, first ${times[0]!.toFixed(0)} ms`, required: 'median < 1500 ms', held: median(times.slice(1)) < 1500 });
    }
    const edited: Bar[] = [];
    for (const [path, name, field, values] of edits) edited.push(...(await editBars(visitor, `${application.address}${path}`, name, field, values)));
    return [...opened, ...edited];
  } finally {
    await visitor.close();
    await rm(profile, { recursive: true, force: true });
    await application.stop();
    await database.stop();
  }
}

async function putBigStore(address: string): Promise<void> {
  const { version: _, ...collections } = bigStore();
  const patch = Object.entries(collections).map(([name, value]) => ({ op: 'add', path: `/${name}`, value }));
  const draft = await fetch(`${address}/api/draft`);
  const put = await fetch(`${address}/api/draft`, { method: 'PATCH', headers: { 'content-type': 'application/json-patch+json', 'if-match': draft.headers.get('etag')! }, body: JSON.stringify(patch) });
  if (!put.ok) throw new Error(`the big store could not be put: ${await put.text()}`);
  const released = await fetch(`${address}/api/releases`, { method: 'POST', headers: { 'content-type': 'application/json', 'if-match': put.headers.get('etag')! }, body: JSON.stringify({ note: 'Big' }) });
  if (!released.ok) throw new Error(`the big store could not be released: ${await released.text()}`);
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
async function editBars(visitor: BrowserContext, address: string, name: string, testId: string, values: string[]): Promise<Bar[]> {
  const page = await visitor.newPage();
  await page.goto(address);
  await page.waitForFunction(() => document.documentElement.dataset.live === 'true');
  await page.evaluate(await readFile(new URL('./big/in-page.js', import.meta.url), 'utf8'));
  const edits = (await page.evaluate(([id, list]) => window.editsAt(id as string, list as string[]), [testId, values] as const)).slice(1);
  const bar = (what: string, times: number[]): Bar => ({ name: `${name}, ${what}`, measured: `${median(times).toFixed(0)} ms, slowest ${Math.max(...times).toFixed(0)} ms`, required: 'median < 100 ms', held: median(times) < 100 });
  return [bar('typed until the bench is repainted', edits.map(({ repainted }) => repainted)), bar('left until it is saved', edits.map(({ saved }) => saved))];
}
