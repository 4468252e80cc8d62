import { rmSync } from 'node:fs';
import { mkdtemp } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type BrowserContext } from 'playwright-core';
import { freshDatabase, startApplication, startTestDatabase } from '../../tests/support/application.ts';
import { chromiumArguments } from '../setup/chromium.mjs';
import { programFromDebian } from '../setup/debian.mjs';
import { median, type Bar } from './bar.ts';
import { importFile, writeExport } from './orders/million-orders.ts';

declare global {
  interface Window {
    verdictDrawn?: number;
  }
}

/** In the page: ms from asking for it to after the frame in which the verdict stands, other markets included. */
const drawnAt = `{
  const look = () => {
    if (!document.querySelector('[data-testid=results-verdict]')) return requestAnimationFrame(look);
    const channel = new MessageChannel();
    channel.port1.onmessage = () => (window.verdictDrawn = performance.now());
    requestAnimationFrame(() => channel.port2.postMessage(null));
  };
  requestAnimationFrame(look);
}`;

const looking = { viewport: { width: 1280, height: 800 }, locale: 'en-GB' };

/** ms */
async function openedIn(visitor: BrowserContext, address: string): Promise<number> {
  const page = await visitor.newPage();
  await page.addInitScript(drawnAt);
  await page.goto(`${address}/results?market=nlbe`, { waitUntil: 'commit' });
  await page.waitForFunction(() => window.verdictDrawn !== undefined);
  const opened = await page.evaluate(() => window.verdictDrawn!);
  await page.close();
  return opened;
}

/** In the page: chooses in a list, and tells the ms until another verdict than before stands. */
async function untilJudged([testId, value]: [testId: string, value: string]): Promise<number> {
  const before = document.querySelector('[data-testid=results-verdict]');
  const list = document.querySelector<HTMLSelectElement>(`[data-testid=${testId}]`)!;
  const begun = performance.now();
  // As the browser sets it: the page would not notice otherwise.
  Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')!.set!.call(list, value);
  list.dispatchEvent(new Event('change', { bubbles: true }));
  for (;;) {
    await new Promise(requestAnimationFrame);
    const now = document.querySelector('[data-testid=results-verdict]');
    if (now && now !== before) break;
    if (performance.now() - begun > 30_000) throw new Error(`${testId} to ${value}: no verdict within 30 s`);
  }
  return performance.now() - begun;
}

/** The Results stop over a million orders: opened, and asked for other periods, markets and offers, in Chromium. */
export async function bars(): Promise<Bar[]> {
  const file = join(tmpdir(), 'summant-bench-results.csv');
  await writeExport(file);
  const database = await startTestDatabase('bench');
  const application = await startApplication({
    DATABASE_URL: await freshDatabase(database.url, 'summant_bench_results'),
  });
  const how = {
    executablePath: programFromDebian('chromium', ['chromium', 'fonts-liberation']),
    args: chromiumArguments,
  };
  const browser = await chromium.launch(how);
  const profile = await mkdtemp(join(tmpdir(), 'summant-visitor-'));
  try {
    await importFile(application.address, application.process.pid!, file);
    const first: number[] = [];
    for (let time = 0; time < 7; time++) {
      const visitor = await browser.newContext(looking);
      first.push(await openedIn(visitor, application.address));
      await visitor.close();
    }
    const again: number[] = [];
    // One visitor, who has been here before: what the browser may keep, files and compiled scripts, it keeps in a profile.
    const visitor = await chromium.launchPersistentContext(profile, { ...how, ...looking });
    for (let time = 0; time < 9; time++) {
      const opened = await openedIn(visitor, application.address);
      if (time > 1) again.push(opened);
    }
    await visitor.close();
    const page = await browser.newPage(looking);
    await page.goto(`${application.address}/results?market=nlbe`);
    await page.getByTestId('results-verdict').waitFor();
    const changeTo = (testId: string, value: string) => page.evaluate(untilJudged, [testId, value] as [string, string]);
    const changed: number[] = [];
    for (const [testId, value] of [
      ['results-since', '2.free-delivery'],
      ['results-weeks', '4'],
      ['results-market', 'deat'],
      ['results-base', 'yearBefore'],
      ['results-market', 'uk'],
      ['results-base', 'before'],
      ['results-market', 'nlbe'],
      ['results-since', '2.free-delivery'],
    ] as const)
      changed.push(await changeTo(testId, value));
    const bar = (name: string, times: number[], limit: number): Bar => ({
      name,
      measured: `${median(times).toFixed(0)} ms, slowest ${Math.max(...times).toFixed(0)} ms`,
      required: `median < ${limit} ms`,
      held: median(times) < limit,
    });
    return [
      bar('Results over 1,000,000 orders opens, with its verdict beside six markets', again, 1500),
      bar('… in a browser that has never been here', first, 1500),
      bar('Results changes period, market or offer', changed, 500),
    ];
  } finally {
    await browser.close();
    await application.stop();
    await database.stop();
    rmSync(file, { force: true });
    rmSync(profile, { recursive: true, force: true });
  }
}
