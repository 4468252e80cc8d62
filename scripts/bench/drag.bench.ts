import { readFile } from 'node:fs/promises';
import { chromium } from 'playwright-core';
import type { Policy, TestCart } from '../../src/core/policy/types.ts';
import { chromiumArguments } from '../setup/chromium.mjs';
import { programFromDebian } from '../setup/debian.mjs';
import { freshDatabase, startApplication, startTestDatabase } from '../../tests/support/application.ts';
import { median, quantile, type Bar } from './bar.ts';

interface Move {
  /** from the input event to after the frame in which everything was repainted, ms */
  time: number;
  /** picture and all bench carts show the same goal in that frame */
  together: boolean;
}

declare global {
  interface Window {
    moves: Move[];
  }
}

/** Drags the demo's goal over eight pinned carts of one market and times each move to the repainted frame. */
export async function bars(): Promise<Bar[]> {
  const database = await startTestDatabase('bench');
  const application = await startApplication({ DATABASE_URL: await freshDatabase(database.url, 'summant_bench') });
  const browser = await chromium.launch({
    executablePath: programFromDebian('chromium', ['chromium']),
    args: chromiumArguments,
  });
  try {
    await pinEightInOneMarket(application.address);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    await page.goto(`${application.address}/offers`);
    await page.waitForFunction(() => document.documentElement.dataset.live === 'true');
    await page.waitForLoadState('networkidle');
    const scripts = await page.evaluate(() =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter(({ name }) => name.endsWith('.js'))
        .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0),
    );
    await page.evaluate(await readFile(new URL('./watch-moves.js', import.meta.url), 'utf8'));
    const box = (await page.getByTestId('spend-line').boundingBox())!;
    const pennant = (await page.getByTestId('pennant').boundingBox())!;
    const x = pennant.x + pennant.width - 3;
    await page.mouse.move(x, box.y + 150);
    await page.mouse.down();
    for (let i = 1; i <= 150; i++) {
      await page.mouse.move(x + Math.sin(i / 9) * 320 * (i / 150), box.y + 150);
      await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))));
    }
    await page.mouse.up();
    const moves = (await page.evaluate(() => window.moves)).slice(10);
    const times = moves.map(({ time }) => time);
    const together = moves.filter((move) => move.together).length;
    const slow = quantile(times, 0.95);
    return [
      {
        name: 'a dragged goal, move to repainted line and eight carts',
        measured: `${median(times).toFixed(1)} ms, 95 % ${slow.toFixed(1)} ms`,
        required: '95 % < 50 ms',
        held: moves.length > 50 && slow < 50,
      },
      {
        name: '  line and carts repainted in the same frame',
        measured: `${together} of ${moves.length} moves`,
        required: 'all',
        held: together === moves.length && moves.length > 50,
      },
      {
        name: 'script on first load of Offers, compressed',
        measured: `${(scripts / 1000).toFixed(0)} kB`,
        required: '< 250 kB',
        held: scripts > 0 && scripts < 250_000,
      },
    ];
  } finally {
    await browser.close();
    await application.stop();
    await database.stop();
  }
}

/** Pins eight carts that all go to the Netherlands, so that each depends on the goal that is dragged, and no other. */
async function pinEightInOneMarket(address: string): Promise<void> {
  const response = await fetch(`${address}/api/draft`);
  const { policy } = (await response.json()) as { policy: Policy };
  const patch = Object.keys(policy.testCarts).flatMap((id, index) => {
    const at = `/testCarts/${id}`;
    if (index >= 8)
      return policy.testCarts[id]!.pinned ? [{ op: 'replace', path: `${at}/pinned`, value: false as unknown }] : [];
    const cart: TestCart = {
      order: index,
      name: `Cart ${index + 1}`,
      pinned: true,
      language: 'nl-NL',
      destination: { country: 'NL', postcode: '' },
      lines: { 'tidewing-16': { order: 1, quantity: 1 }, 'line-25': { order: 2, quantity: index + 1 } },
    };
    return [{ op: 'replace', path: at, value: cart as unknown }];
  });
  const headers = { 'content-type': 'application/json-patch+json', 'if-match': response.headers.get('etag')! };
  const saved = await fetch(`${address}/api/draft`, { method: 'PATCH', headers, body: JSON.stringify(patch) });
  if (!saved.ok) throw new Error(`the bench carts could not be set: ${await saved.text()}`);
}
