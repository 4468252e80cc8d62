import { beforeAll, describe, expect, test } from 'vitest';
import { ready, resetDraft, textOf, useBrowser, writtenIn } from '../support/browser.ts';
import { here } from '../support/here.ts';
import { stops } from '../support/stops.ts';

const { open } = useBrowser();
beforeAll(() => resetDraft());
/** In the page: what has moved once letters are there and what they moved has been painted. */
const shiftsOnceSettled = async () => {
  await document.fonts.ready;
  for (let frame = 0; frame < 3; frame++) await new Promise((resolve) => requestAnimationFrame(resolve));
  // Observers are told in tasks of their own, after the frame.
  await new Promise((resolve) => requestIdleCallback(resolve));
  return (window as unknown as { shifts: string[] }).shifts;
};

describe('loading', () => {
  test.each(stops)('%s does not move when the island takes over', async (path) => {
    const page = await open('/healthz');
    await page.addInitScript(() => {
      const shifts: string[] = [];
      (window as unknown as { shifts: string[] }).shifts = shifts;
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries() as unknown as { value: number; sources: { node?: Element }[] }[])
          shifts.push(
            `${entry.value} ${entry.sources.map((source) => source.node?.outerHTML?.slice(0, 80)).join(' | ')}`,
          );
      }).observe({ type: 'layout-shift', buffered: true });
    });
    await page.goto(`${here.address}${path}`);
    await ready(page);
    expect(await page.evaluate(shiftsOnceSettled)).toEqual([]);
  });

  test('Offers loads less than 250 kB of compressed script', async () => {
    const page = await open('/offers');
    const scripts = await page.evaluate(() =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter(({ name }) => name.endsWith('.js'))
        .map(({ encodedBodySize, decodedBodySize }) => [encodedBodySize, decodedBodySize] as const),
    );
    const bytes = scripts.reduce((sum, [compressed]) => sum + compressed, 0);
    for (const [compressed, plain] of scripts) if (plain > 4000) expect(compressed).toBeLessThan(plain / 2);
    expect(bytes).toBeGreaterThan(50_000);
    expect(bytes).toBeLessThan(250_000);
  });
});

describe('the frame', () => {
  test('the palette reaches stops, markets, offers, options, carts and actions by keyboard alone', async () => {
    const page = await open('/results');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('united');
    await page.keyboard.press('Enter');
    await page.waitForURL('**/markets?market=uk');
    await ready(page);
    await page.keyboard.press('Control+k');
    const field = page.getByRole('dialog').getByRole('combobox');
    const first = page.getByRole('dialog').getByRole('option').first();
    for (const [typed, name] of [
      ['undo', 'Undo'],
      ['fold', 'Fold the bench'],
      ['preview', 'Rehearse'],
      ['netherlands', 'Netherlands & Belgium'],
      ['free del', 'Free delivery from an amount'],
      ['collection', 'Collection point'],
      ['beach', 'Beach day'],
      ['coupon', 'Offers'],
      ['island', 'Prices for islands and highlands'],
      ['weekend', 'Offers'],
      ['uw bezorging is gratis', 'Uw bezorging is gratis.'],
    ]) {
      await field.fill(typed!);
      await expect
        .poll(() => page.getByRole('dialog').getByRole('option').allInnerTexts())
        .toContainEqual(expect.stringContaining(name!));
    }
    // What does not match is not opened.
    await field.fill('zzz');
    await page.getByText('Nothing of that name.').waitFor();
    expect(await first.count()).toBe(0);
    await page.keyboard.press('Escape');
    await expect.poll(() => page.getByRole('dialog').count()).toBe(0);
  });

  test('? lists the keys, and typing a ? in a text does not', async () => {
    const page = await open('/wording');
    await page.keyboard.press('?');
    await page.getByRole('dialog').getByText('Command palette: every stop').waitFor();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await expect.poll(() => page.getByRole('dialog').count()).toBe(0);
    await page.getByTestId('text-progress').getByRole('textbox').press('?');
    await expect.poll(() => writtenIn(page.getByTestId('text-progress').getByRole('textbox'))).toContain('?');
    expect(await page.getByRole('dialog').count()).toBe(0);
    await page.keyboard.press('Escape');
  });

  test('bench and theme stay as they were left', async () => {
    const page = await open('/offers');
    await page.getByRole('button', { name: 'Fold the bench' }).click();
    await page.getByRole('button', { name: 'Use the night theme' }).click();
    await page.reload();
    await ready(page);
    await page.getByRole('button', { name: 'Unfold the bench' }).waitFor();
    expect(await page.locator('html').getAttribute('data-theme')).toBe('summant-night');
  });

  test.each([
    [1024, 768],
    [390, 844],
  ])('at %i × %i nothing sticks out sideways', async (width, height) => {
    for (const path of [
      '/orders',
      '/markets',
      '/markets?market=dk&zone=dk-all',
      '/delivery',
      '/delivery?zone=deat-all',
      '/offers',
      '/rehearse',
      '/release',
    ]) {
      const page = await open(path, { viewport: { width, height } });
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
        path,
      ).toBeLessThanOrEqual(0);
      await page.context().close();
    }
  });
});

test('an empty store says what to do next, and does it', async () => {
  const page = await open('/offers', { address: here.emptyAddress });
  expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(/nothing released yet/);
  await page.getByRole('button', { name: 'Load the demo store' }).click();
  await page.getByTestId('pennant').waitFor();
  expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(/no change since release 5/);
});
