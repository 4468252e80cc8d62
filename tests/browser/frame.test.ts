import axe from 'axe-core';
import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, inject, test } from 'vitest';
import { moveTo, ready, resetDraft, textOf, useBrowser } from '../support/browser.ts';

const { open } = useBrowser();
beforeAll(() => resetDraft());
/** What views show besides when asked for. */
const inside = [
  '/wording?view=languages&beside=ar-DE',
  '/wording?view=look',
  '/wording?offer=two-steps&language=ar-DE&place=cart',
  '/rehearse?laid=both&width=desktop&tool=line-up',
  '/rehearse?cart=two-steps-arabic&tool=charged',
];
const insideByDay = ['/wording?view=leads', '/rehearse?tool=sweep', '/rehearse?tool=gap', '/rehearse?tool=expected'];
const views = ['/orders', '/markets', '/delivery', '/offers', '/wording', '/rehearse', '/release', '/results'];

async function violations(page: Page): Promise<string[]> {
  await page.evaluate(axe.source);
  const { violations: found } = await page.evaluate(() =>
    (window as unknown as { axe: typeof axe }).axe.run(document, {
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
    }),
  );
  return found.flatMap(({ id, nodes }) =>
    nodes.map((node) => `${id}: ${node.html.slice(0, 160)} ${node.failureSummary ?? ''}`),
  );
}

describe.each(['light', 'dark'] as const)('accessibility, %s', (colorScheme) => {
  test.each(views)('%s', async (path) => {
    const page = await open(path, { colorScheme });
    expect(await violations(page)).toEqual([]);
  });
  test('with everything opened', async () => {
    const page = await open('/rehearse', { colorScheme });
    for (const why of await page.getByRole('button', { name: /^Why/ }).all()) await why.click();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Control+k');
    await page.getByRole('dialog').waitFor();
    expect(await violations(page)).toEqual([]);
  });
  test('an offer by code with a condition, its codes and a search opened', async () => {
    const page = await open('/offers?offer=campaign&condition=dear-basket', { colorScheme });
    await page.getByTestId('make-codes').click();
    await page.getByTestId('qualifiers').getByTestId('add-condition').first().click();
    await page.locator('.search-list [role=option]').first().waitFor();
    expect(await violations(page)).toEqual([]);
    await moveTo(page, new URL('/delivery?zone=nlbe-round&option=nlbe-round-van', page.url()).href);
    await page.getByTestId('offered-when-edit').click();
    expect(await violations(page)).toEqual([]);
  });
  test.each(colorScheme === 'light' ? [...inside, ...insideByDay] : inside)('%s', async (path) => {
    expect(await violations(await open(path, { colorScheme }))).toEqual([]);
  });
  test('the empty store', async () => {
    for (const path of ['/offers', '/wording', '/rehearse', '/release'])
      expect(await violations(await open(path, { colorScheme, address: inject('emptyAddress') }))).toEqual([]);
  });
});

describe('loading', () => {
  test.each(views)('%s does not move when the island takes over', async (path) => {
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
    await page.goto(`${inject('address')}${path}`);
    await ready(page);
    await page.waitForTimeout(300);
    expect(await page.evaluate(() => (window as unknown as { shifts: string[] }).shifts)).toEqual([]);
  });

  test('Offers loads less than 350 kB of compressed script', async () => {
    const page = await open('/offers');
    const scripts = await page.evaluate(() =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter(({ name }) => name.endsWith('.js'))
        .map(({ encodedBodySize, decodedBodySize }) => [encodedBodySize, decodedBodySize] as const),
    );
    const bytes = scripts.reduce((sum, [compressed]) => sum + compressed, 0);
    for (const [compressed, plain] of scripts) if (plain > 2000) expect(compressed).toBeLessThan(plain / 2);
    expect(bytes).toBeGreaterThan(50_000);
    expect(bytes).toBeLessThan(350_000);
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
    const names = await page.getByRole('option').allInnerTexts();
    for (const name of [
      'Undo',
      'Fold the bench',
      'Rehearse',
      'Netherlands & Belgium',
      'Free delivery',
      'Collection point',
      'Beach day',
    ])
      expect(names.join('\n')).toContain(name);
    await page.keyboard.press('Escape');
    expect(await page.getByRole('dialog').count()).toBe(0);
  });

  test('? lists the keys, and typing a ? in a text does not', async () => {
    const page = await open('/wording');
    await page.keyboard.press('?');
    await page.getByRole('dialog').getByText('Command palette: every stop').waitFor();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByTestId('text-progress').getByRole('textbox').press('?');
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

  test('stops not built yet say what they will hold and offer nothing else', async () => {
    const page = await open('/results');
    expect(await textOf(page, 'main')).toMatch(/^Results\s+Not built yet\. What happened after a release/);
    expect(await page.locator('main').getByRole('button').count()).toBe(0);
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
      ).toBeLessThanOrEqual(0);
      await page.context().close();
    }
  });
});

test('an empty store says what to do next, and does it', async () => {
  const page = await open('/offers', { address: inject('emptyAddress') });
  expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(/nothing released yet/);
  await page.getByRole('button', { name: 'Load the demo store' }).click();
  await page.getByTestId('pennant').waitFor();
  expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(/no change since release 1/);
});
