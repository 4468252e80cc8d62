import { readFile } from 'node:fs/promises';
import { gzipSync } from 'node:zlib';
import { chromium } from 'playwright-core';
import { freshDatabase, root, startApplication, startTestDatabase } from '../../tests/support/application.ts';
import { chromiumArguments } from '../setup/chromium.mjs';
import { programFromDebian } from '../setup/debian.mjs';
import { median, type Bar } from './bar.ts';

const visits = 15;

interface Watched {
  painted: number | null;
  longest: number;
}

/** In the page: when the answer had been read, when the strip was painted after it, and how long tasks took. */
const watch = `
  window.painted = null; window.longest = 0;
  new PerformanceObserver((list) => { for (const { duration } of list.getEntries()) window.longest = Math.max(window.longest, duration); }).observe({ type: 'longtask', buffered: true });
  const asked = window.fetch;
  window.fetch = async (...given) => {
    const response = await asked(...given);
    if (!String(given[0]).endsWith('/api/quote')) return response;
    const text = await response.text();
    const answered = performance.now();
    const look = () => {
      const strip = document.querySelector('summant-offer[place=strip]')?.shadowRoot?.querySelector('.text');
      if (!strip || strip.textContent === '') return requestAnimationFrame(look);
      requestAnimationFrame(() => setTimeout(() => (window.painted ??= performance.now() - answered)));
    };
    look();
    return new Response(text, { status: response.status, headers: response.headers });
  };
`;

/** How large the element is, and how soon its strip is painted in the demo shop. */
export async function bars(): Promise<Bar[]> {
  const server = await startTestDatabase('bench');
  const DATABASE_URL = await freshDatabase(server.url, 'summant_bench_element');
  const application = await startApplication({ DATABASE_URL, SUMMANT_SHOP_PORT: '0' });
  const browser = await chromium.launch({
    executablePath: programFromDebian('chromium', ['chromium', 'fonts-liberation']),
    args: chromiumArguments,
  });
  try {
    const { path } = JSON.parse(await readFile(`${root}/dist/client/element/current.json`, 'utf8')) as { path: string };
    const size = gzipSync(await readFile(`${root}/dist/client${path}`), { level: 9 }).length;
    const shop = await application.shop();
    const times: number[] = [];
    let longest = 0;
    for (let visit = -2; visit < visits; visit++) {
      const page = await browser.newPage();
      await page.addInitScript(watch);
      await page.goto(shop);
      await page.waitForFunction(() => (window as unknown as Watched).painted !== null);
      const painted = (await page.evaluate(() => (window as unknown as Watched).painted))!;
      // The first visits find neither files nor compiled scripts.
      if (visit >= 0) times.push(painted);
      if (visit >= 0) longest = Math.max(longest, await page.evaluate(() => (window as unknown as Watched).longest));
      await page.close();
    }
    return [
      {
        name: 'element, compressed',
        measured: `${(size / 1000).toFixed(1)} kB`,
        required: 'under 10 kB',
        held: size < 10_000,
      },
      {
        name: 'its strip, from the answer to the paint',
        measured: `${median(times).toFixed(0)} ms, at most ${Math.max(...times).toFixed(0)}`,
        required: 'median under 100 ms',
        held: median(times) < 100,
      },
      {
        name: 'the longest task of a page of the shop',
        measured: longest === 0 ? 'none over 50 ms' : `${longest.toFixed(0)} ms`,
        required: 'none over 50 ms',
        held: longest <= 50,
      },
    ];
  } finally {
    await browser.close();
    await application.stop();
    await server.stop();
  }
}
