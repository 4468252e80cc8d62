import type { Page } from 'playwright-core';
import { median, quantile, type Bar } from './bar.ts';
import { editTimes, livePage, visiting } from './in-browser.ts';
import { manyOffers } from './many-offers.ts';

const amounts = ['71', '72', '73', '74', '75', '76', '77', '78', '79', '80', '81', '82'];

/** Offers over 200 offers × 20 markets, and a condition of 200 leaves. */
export async function bars(): Promise<Bar[]> {
  return visiting('summant_bench_offers', manyOffers(), async (visitor, address) => {
    const page = await livePage(visitor, `${address}/offers?market=nlbe`);
    const scrolled = await scrollTimes(page);
    await page.evaluate(() => document.querySelector('.goal-grid')!.scrollTo(0, 0));
    await page.getByTestId('grid-free-delivery-nlbe').waitFor();
    const cell = await editTimes(page, 'grid-free-delivery-nlbe', amounts);
    await page.close();
    const open = await livePage(visitor, `${address}/offers?market=nlbe&condition=tree`);
    const field = open.getByTestId('condition-leaf-5-5').getByRole('textbox').first();
    await field.scrollIntoViewIfNeeded();
    await field.evaluate((input) => (input.dataset.testid = 'measured-leaf'));
    const leaf = await editTimes(open, 'measured-leaf', amounts);
    const typed = (name: string, times: readonly number[]): Bar => ({
      name,
      measured: `${median(times).toFixed(0)} ms, slowest ${Math.max(...times).toFixed(0)} ms`,
      required: 'median < 50 ms',
      held: median(times) < 50,
    });
    return [
      {
        name: 'goal grid of 200 × 20 scrolled, from frame to frame',
        measured: `${median(scrolled).toFixed(1)} ms, 95 % ${quantile(scrolled, 0.95).toFixed(1)} ms`,
        required: 'median < 18 ms',
        held: median(scrolled) < 18,
      },
      typed(
        'a cell typed until line and bench are repainted',
        cell.map(({ repainted }) => repainted),
      ),
      typed(
        'a leaf of 200 typed until everything is repainted',
        leaf.map(({ repainted }) => repainted),
      ),
    ];
  });
}

/** Scrolls the grid as a wheel does, across and then down. @returns ms between frames */
async function scrollTimes(page: Page): Promise<number[]> {
  return page.evaluate(async () => {
    const grid = document.querySelector('.goal-grid')!;
    const times: number[] = [];
    let last = 0;
    for (const [left, top] of [
      [24, 0],
      [0, 12],
    ] as const) {
      for (let i = 0; i < 120; i++) {
        grid.scrollBy(left, top);
        const now = await new Promise<number>((resolve) => requestAnimationFrame(resolve));
        if (i > 0) times.push(now - last);
        last = now;
      }
    }
    return times;
  });
}
