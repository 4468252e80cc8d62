import { describe, expect, test } from 'vitest';
import { call, etagOf, goalPath, patchDraft, readDraft } from '../support/api.ts';
import { emptyDraft, moveTo, releaseDemo, resetDraft, setDate, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const spring = '/results?market=nlbe&since=2.free-delivery';
const verdict = '[data-testid=results-verdict]';

describe('what a change did', () => {
  test('is told with its interval beside other markets, and what chance explains is not called a gain', async () => {
    const page = await open(spring);
    await page.getByTestId('results-verdict').waitFor();
    expect(await textOf(page, verdict)).toMatch(
      /^Not enough orders to tell whether it paid\. Margin net of delivery a day/,
    );
    expect(await textOf(page, verdict)).toMatch(/Surely moved: orders that reach the goal \(\+\d+\.\d%, between/);
    expect(await textOf(page, verdict)).toMatch(/About [\d,]+ more orders would tell/);
    const row = await textOf(page, '[data-testid=figure-reaching]');
    expect(row).toMatch(/37\.\d%\s+57\.\d%\s+\+20\.\d\d points \(\+1\d\.\d\d to \+2\d\.\d\d\)[\s\S]*more$/);
    await page.getByTestId('two-distributions').scrollIntoViewIfNeeded();
    await expect
      .poll(() => textOf(page, '[data-testid=two-distributions]'))
      .toMatch(/goal after 60[\s\S]*goal before 75|goal before 75[\s\S]*goal after 60/);
  });

  test('is looked up in the orders before the page is alive', async () => {
    const page = await open('/connections');
    // Questions that nobody expected go to the worker as calls by name.
    await page.addInitScript(() => {
      const asked: string[] = [];
      const post = Worker.prototype.postMessage;
      Worker.prototype.postMessage = function (message: { path?: string[]; expected?: unknown }, transfer: unknown) {
        asked.push(...(message.path ?? []), ...(message.expected ? ['expected'] : []));
        return post.call(this, message, transfer as StructuredSerializeOptions);
      };
      (window as unknown as { asked: string[] }).asked = asked;
    });
    // The view is kept back until its questions have been answered.
    await page.route(/\/_astro\/ResultsStop\..*js$/, async (route) => {
      await expect.poll(() => page.evaluate(() => window.summantExpected?.size)).toBe(7);
      await route.continue();
    });
    await page.goto(new URL(spring, page.url()).href);
    await page.getByTestId('results-verdict').waitFor();
    const asked = await page.evaluate(() => (window as unknown as { asked: string[] }).asked);
    expect(asked.filter((name) => ['expected', 'change', 'panels'].includes(name))).toEqual(['expected']);
    expect(await page.evaluate(() => window.summantExpected!.size)).toBe(0);
  });

  test('opens what each figure is made of, and leads to its orders', async () => {
    const page = await open(spring);
    await page.getByTestId('figure-orderValue').getByRole('button', { name: 'Why: order value' }).click();
    const reasons = page.locator('[popover]:popover-open');
    await reasons.getByText(/Before: \d+ orders, on average €6\d\.\d\d, scattering by/).waitFor();
    await reasons.getByText(/drawing the orders anew/).waitFor();
    await reasons.getByRole('link', { name: /see these orders: Before/ }).click();
    await page.waitForURL('**/orders?market=nlbe&from=2025-02-04&to=2025-03-31');
  });

  test('follows the sentence at the top, and the address keeps it', async () => {
    const page = await open(spring);
    await page.getByTestId('results-verdict').waitFor();
    await page.getByTestId('results-weeks').selectOption('2');
    await expect.poll(() => page.getByText(/2 April 2025 to 15 April 2025 beside 18 March 2025/).count()).toBe(1);
    await page.getByTestId('results-beside').selectOption('none');
    await expect.poll(() => textOf(page, verdict)).toMatch(/seasons not taken off/);
    await page.getByTestId('results-beside').selectOption('uk');
    await expect.poll(() => page.getByText(/compared with United Kingdom\./).count()).toBe(1);
    await page.getByTestId('results-figure').selectOption('ordersADay');
    expect(new URL(page.url()).search).toBe('?market=nlbe&since=2.free-delivery&weeks=2&beside=uk&figure=ordersADay');
    await page.reload();
    await expect.poll(() => page.getByTestId('results-figure').inputValue()).toBe('ordersADay');
    await page.getByTestId('results-base').selectOption('yearBefore');
    await expect.poll(() => page.getByTestId('no-whole-week').count()).toBe(1);
    await page.getByTestId('results-since').selectOption('3.free-delivery');
    await expect.poll(() => page.getByText(/not a whole week/).count()).toBe(1);
  });

  test('can be looked at since any day, a year earlier too, and in a market without a change', async () => {
    const page = await open('/results?market=uk&since=2026-05-01&base=yearBefore');
    await page.getByTestId('results-verdict').waitFor();
    await expect
      .poll(() => page.getByText(/2 May 2026 to 26 June 2026 beside 3 May 2025 to 27 June 2025/).count())
      .toBe(1);
    await setDate(page, page.getByTestId('results-day'), '1 June 2026');
    await expect.poll(() => page.getByText(/2 June 2026 to/).count()).toBe(1);
    expect(page.url()).toContain('since=2026-06-01');
  });

  test('is saved as numbers and pictures, and printed on a page', async () => {
    const page = await open(spring);
    await page.getByTestId('results-verdict').waitFor();
    const saved = async (name: string) => {
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name, exact: true }).click(),
      ]);
      return download.suggestedFilename();
    };
    expect(await saved('Save the figures as CSV')).toBe('results-nlbe.csv');
    await page.getByRole('region', { name: 'Week by week' }).scrollIntoViewIfNeeded();
    await page.getByTestId('results-series').waitFor();
    expect(await saved('Save the lines as CSV')).toBe('results-nlbe-orderValue.csv');
    expect(await saved('Save the lines as SVG')).toBe('results-nlbe-orderValue.svg');
    expect(await saved('Save the order values as PNG')).toBe('results-nlbe-order-values.png');
    await expect.poll(() => page.getByTestId('print-results').isEnabled()).toBe(true);
    await page.emulateMedia({ media: 'print' });
    const paper = page.locator('body > .printed-record');
    await expect.poll(() => paper.isVisible()).toBe(true);
    expect(await paper.locator('h1').innerText()).toBe('Free delivery: goal 75.00 → 60.00, Netherlands & Belgium');
    expect(await paper.locator('tbody tr').count()).toBe(9);
    expect(await paper.locator('svg').count()).toBeGreaterThan(0);
    expect(await page.getByTestId('what-happened').isVisible()).toBe(false);
    expect((await paper.boundingBox())!.height).toBeLessThan(1060);
  });
});

test('other things that changed meanwhile are listed, since they could be the reason', async () => {
  const page = await open('/results?market=dk&since=2025-04-20');
  const list = page.getByTestId('what-else');
  await expect
    .poll(() => list.innerText())
    .toMatch(/Release 2 on 1 April 2025 changed “Free delivery”: Free delivery from 60/);
  await page.goto(`${here.address}/results?market=nlbe&since=2.free-delivery&weeks=1`);
  await expect.poll(() => page.getByTestId('what-else').innerText()).toMatch(/Nothing that Summant knows of/);
});

test('a store without markets or orders says what to do', async () => {
  await emptyDraft(here.blankAddress);
  const empty = await open('/results', { address: here.blankAddress });
  await empty.getByText('This store sells nowhere yet').waitFor();
  const page = await open('/markets', { address: here.blankAddress });
  await page.getByTestId('find-country').fill('Iceland');
  // Another file may have left orders of other countries.
  await page.getByTestId('make-market').click();
  await moveTo(page, `${here.blankAddress}/results`);
  await page.getByTestId('no-orders').waitFor();
  expect(await page.getByTestId('results-since').inputValue()).toBe('day');
  await emptyDraft(here.blankAddress);
});

test('what was released today is not what Results begins with', async () => {
  await resetDraft();
  const { revision } = await readDraft(here.address);
  await patchDraft(here.address, revision, [{ op: 'replace', path: goalPath('nlbe'), value: 6000 }]);
  const { status } = await call(here.address, 'POST', '/api/releases', {
    headers: { 'if-match': etagOf((await readDraft(here.address)).revision) },
    body: { note: '', reason: 'its gaps are meant' },
  });
  expect(status).toBe(201);
  const page = await open('/results');
  const chosen = async () => [
    await page.getByTestId('results-market').inputValue(),
    await page.getByTestId('results-since').inputValue(),
  ];
  expect(await chosen()).toEqual(['nlbe', '3.free-delivery']);
  await page.getByTestId('results-verdict').waitFor();
  expect(await chosen()).toEqual(['nlbe', '3.free-delivery']);
  await releaseDemo();
});
