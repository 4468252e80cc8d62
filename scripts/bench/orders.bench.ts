import { rmSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { freshDatabase, startApplication, startTestDatabase } from '../../tests/support/application.ts';
import { chromiumArguments } from '../setup/chromium.mjs';
import { programFromDebian } from '../setup/debian.mjs';
import { median, quantile, type Bar } from './bar.ts';
import { importFile, writeExport } from './orders/million-orders.ts';

declare global {
  interface Window {
    changeTo: (choice: [testId: string, value: string]) => Promise<number>;
    pictureDrawn?: number;
    chartDrawn?: number;
    dragAlong: (what: 'goal' | 'band') => Promise<Dragged>;
  }
}

/** In the page: ms from asking for it to after the frame in which the picture stands, and then the chart beneath it. */
const drawnAt = `for (const [part, name] of [['bands', 'pictureDrawn'], ['move-curve', 'chartDrawn']]) {
  const look = () => {
    if (!document.querySelector('[data-testid=' + part + ']')) return requestAnimationFrame(look);
    const channel = new MessageChannel();
    channel.port1.onmessage = () => (window[name] = performance.now());
    requestAnimationFrame(() => channel.port2.postMessage(null));
  };
  requestAnimationFrame(look);
}`;

/** The Orders stop over a million orders: opened, changed and dragged in Chromium. */
export async function bars(): Promise<Bar[]> {
  const file = join(tmpdir(), 'summant-bench-orders.csv');
  await writeExport(file);
  const database = await startTestDatabase('bench');
  const application = await startApplication({
    DATABASE_URL: await freshDatabase(database.url, 'summant_bench_orders'),
  });
  const browser = await chromium.launch({
    executablePath: programFromDebian('chromium', ['chromium', 'fonts-liberation']),
    args: chromiumArguments,
  });
  try {
    await importFile(application.address, application.process.pid!, file);
    const opened: number[] = [];
    const whole: number[] = [];
    for (let i = 0; i < 7; i++) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
      await page.addInitScript(drawnAt);
      await page.goto(`${application.address}/orders?market=nlbe`, { waitUntil: 'commit' });
      await page.waitForFunction(() => window.chartDrawn !== undefined);
      opened.push(await page.evaluate(() => window.pictureDrawn!));
      whole.push(await page.evaluate(() => window.chartDrawn!));
      await page.close();
    }
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    await page.goto(`${application.address}/orders?market=nlbe`);
    await page.getByTestId('move-curve').waitFor();
    await page.evaluate(await readFile(new URL('./orders/in-page.js', import.meta.url), 'utf8'));
    const changeTo = (testId: string, value: string) =>
      page.evaluate(([id, wanted]) => window.changeTo([id!, wanted!]), [testId, value]);
    const markets = [];
    for (const market of ['deat', 'uk', 'dk', 'us']) markets.push(await changeTo('market-phrase', market));
    await changeTo('market-phrase', 'nlbe');
    const periods = [];
    for (const period of ['year', 'half', 'quarter', 'all']) periods.push(await changeTo('choose-period', period));
    const goal = await page.evaluate(() => window.dragAlong('goal'));
    const band = await page.evaluate(() => window.dragAlong('band'));
    const bar = (name: string, times: number[], limit: number): Bar => ({
      name,
      measured: `${median(times).toFixed(0)} ms, slowest ${Math.max(...times).toFixed(0)} ms`,
      required: `median < ${limit} ms`,
      held: median(times) < limit,
    });
    const dragged = (name: string, { times, late, moves }: Dragged): Bar[] => [
      {
        name,
        measured: `${median(times).toFixed(1)} ms, 95 % ${quantile(times, 0.95).toFixed(1)} ms from move to changed page`,
        required: '95 % < 16 ms',
        held: moves > 40 && quantile(times, 0.95) < 16,
      },
      {
        name: '  shown in the very next frame',
        measured: `${moves - late} of ${moves} moves`,
        required: 'all',
        held: moves > 40 && late === 0,
      },
    ];
    return [
      bar('Orders opens over 1,024,000 orders, the largest market drawn', opened.slice(1), 1500),
      bar('  with the chart beneath it, whose script is fetched apart', whole.slice(1), 1500),
      bar('  another market', markets, 500),
      bar('  another period', periods, 500),
      ...dragged('the goal in force moved by dragging, over 360,000 orders', goal),
      ...dragged('bands dragged', band),
    ];
  } finally {
    await browser.close();
    await application.stop();
    await database.stop();
    rmSync(file, { force: true });
  }
}

interface Dragged {
  /** ms from the event to the last change of the page that it led to */
  times: number[];
  late: number;
  moves: number;
}
