import { writeFile } from 'node:fs/promises';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { parse } from 'csv-parse/sync';
import { beforeEach, describe, expect, test } from 'vitest';
import { generateOrders } from '../../demo/generate-orders.ts';
import { orderExport } from '../../demo/order-export.ts';
import { goalOf, readDraft } from '../support/api.ts';
import { choose, emptyDraft, resetDraft, saved, setDate, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
const folder = mkdtempSync(join(tmpdir(), 'summant-orders-'));
beforeEach(() => resetDraft());

/** Opens Orders with the question what one more goal would bring. */
async function openOrders(query = ''): Promise<Page> {
  const page = await open(`/orders${query === '' ? '?' : `${query}&`}ask=one-more`);
  await page.getByTestId('net-curve').waitFor();
  return page;
}

async function placeOf(page: Page, value: number, y = 120): Promise<{ x: number; y: number }> {
  const picture = page.getByTestId('orders-picture');
  const box = (await picture.boundingBox())!;
  const [end, left, right] = await Promise.all(
    ['end', 'left', 'right'].map(async (name) => Number(await picture.getAttribute(`data-${name}`))),
  );
  return { x: box.x + left! + ((right! - left!) * value) / end!, y: box.y + y };
}

async function fileOf(name: string, content: string): Promise<string> {
  const path = join(folder, name);
  await writeFile(path, content);
  return path;
}

async function savedText(page: Page, name: string): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name, exact: true }).click(),
  ]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks).toString('utf8');
}

describe('the picture', () => {
  test('says in words where orders bunch, what average and median hide, and who paid for delivery', async () => {
    const page = await openOrders();
    expect(await textOf(page, '[data-testid=orders-count]')).toBe('8,621 of 8,621 orders');
    const words = await textOf(page, '[data-testid=peaks-in-words]');
    expect(words).toMatch(/about €3[6-9]|about €40/);
    expect(words).toMatch(/about €8[5-9]|about €9[0-9]/);
    expect(words).toContain('neither is what shoppers typically buy');
    expect(words).toMatch(/Delivery was paid in \d+% and free in \d+% of them\./);
    expect(await page.getByTestId('averages').textContent()).toMatch(/average 6\d\.\d\d · \d% of orders near it/);
    expect(await page.getByTestId('goals-in-force').textContent()).toContain('Free delivery 75.00');
  });

  test('market, time, shopper, option and delivery are chosen in a sentence; the address keeps them, and Back goes back', async () => {
    const page = await openOrders();
    await page.getByTestId('choose-shopper').selectOption('returning');
    await expect.poll(() => textOf(page, '[data-testid=orders-count]')).toMatch(/^2,[89]\d\d of 8,621 orders$/);
    await page.getByTestId('choose-delivery').selectOption('free');
    await expect.poll(() => textOf(page, '[data-testid=orders-count]')).toMatch(/^1,\d\d\d of/);
    expect(page.url()).toContain('shopper=returning');
    await page.goBack();
    await expect.poll(() => textOf(page, '[data-testid=orders-count]')).toMatch(/^2,[89]\d\d of/);
    await page.getByTestId('choose-shopper').selectOption('');
    await setDate(page, page.getByTestId('choose-from'), '1 April 2025');
    await setDate(page, page.getByTestId('choose-to'), '30 June 2025');
    await expect.poll(() => textOf(page, '[data-testid=orders-count]')).toMatch(/^1,[34]\d\d of/);
    await page.getByTestId('market-phrase').selectOption('jp');
    await expect.poll(() => textOf(page, '[data-testid=peaks-in-words]')).toContain('JP¥');
    await page.reload();
    await page.getByTestId('net-curve').waitFor();
    expect(await textOf(page, 'h1')).toContain('Japan');
    await page.getByTestId('choose-option').selectOption('jp-air');
    await setDate(page, page.getByTestId('choose-from'), '1 Nov 2024');
    await setDate(page, page.getByTestId('choose-to'), '1 Nov 2024');
    await expect
      .poll(() =>
        page
          .getByTestId('none-match')
          .count()
          .then(async (none) => none > 0 || /^\d /.test(await textOf(page, '[data-testid=orders-count]'))),
      )
      .toBe(true);
  });

  test('bands are made wider by dragging, by keys and by number', async () => {
    const page = await openOrders();
    const bars = () => page.getByTestId('bands').locator('rect').count();
    const before = await bars();
    await page.getByTestId('band-range').focus();
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
    await expect.poll(bars).toBeLessThan(before);
    await page.getByTestId('band-width').fill('20');
    await page.getByTestId('band-width').press('Enter');
    await expect.poll(bars).toBeLessThanOrEqual(8);
    expect(page.url()).toContain('band=2000');
    await page.getByRole('button', { name: 'as the orders suggest' }).click();
    await expect.poll(bars).toBe(before);
    expect(page.url()).not.toContain('band');
    await page.goBack();
    await expect.poll(bars).toBeLessThanOrEqual(8);
  });
});

describe('a trial goal', () => {
  test('is dragged: its figures follow at once; the address keeps it', async () => {
    const page = await openOrders('?goals=5000');
    const net = () => textOf(page, '[data-testid=trial-net]');
    const before = await net();
    const start = await placeOf(page, 5000);
    const end = await placeOf(page, 7000);
    await page.mouse.move(start.x, start.y);
    await page.mouse.down();
    await page.mouse.move(end.x, end.y, { steps: 6 });
    expect(await net()).not.toBe(before);
    await page.mouse.up();
    await expect.poll(() => page.url()).toMatch(/goals=70\d\d|goals=69\d\d/);
    const moved = await page.getByTestId('trial-0').inputValue();
    await page.reload();
    await page.getByTestId('net-curve').waitFor();
    expect(await page.getByTestId('trial-0').inputValue()).toBe(moved);
    expect(Math.abs(Number(moved) - 70)).toBeLessThan(1.5);
  });

  test('is moved by keys and typed; a second one is tried for the next peak and stays above the first', async () => {
    const page = await openOrders('?goals=5000');
    await page.getByRole('slider', { name: 'Trial goal', exact: true }).focus();
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Tab');
    expect(Number(await page.getByTestId('trial-0').inputValue())).toBeGreaterThan(50);
    const typed = await page.getByTestId('trial-0').inputValue();
    const net = await textOf(page, '[data-testid=trial-net]');
    await page.getByTestId('trial-0').fill('31');
    await page.getByTestId('trial-0').press('Escape');
    expect([await page.getByTestId('trial-0').inputValue(), await textOf(page, '[data-testid=trial-net]')]).toEqual([
      typed,
      net,
    ]);
    await page.getByTestId('second-goal').click();
    expect(Number(await page.getByTestId('trial-1').inputValue())).toBeGreaterThan(86);
    expect(await textOf(page, '[data-testid=assumptions]')).toContain('The second reward costs');
    await page.getByTestId('trial-0').fill('200');
    await page.getByTestId('trial-0').press('Enter');
    expect(Number(await page.getByTestId('trial-0').inputValue())).toBeLessThan(
      Number(await page.getByTestId('trial-1').inputValue()),
    );
    await page.getByRole('button', { name: 'Take trial goal 2 away' }).click();
    expect(await page.getByTestId('trial-1').count()).toBe(0);
  });

  test('assumptions are edited in their line, kept with the draft and undone', async () => {
    const page = await openOrders('?goals=5500&market=uk');
    const before = await textOf(page, '[data-testid=trial-net]');
    expect(await textOf(page, '[data-testid=assumptions]')).toContain('Nothing of this is measured yet');
    await page.getByTestId('assume-margin').fill('80');
    await page.getByTestId('assume-margin').press('Enter');
    await expect.poll(() => textOf(page, '[data-testid=trial-net]')).not.toBe(before);
    await saved(page);
    await expect.poll(async () => (await readDraft(address)).policy.assumptions?.uk?.margin).toBe('80');
    expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(/no change since release/);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await readDraft(address)).policy.assumptions?.uk).toBeUndefined();
    await expect.poll(() => textOf(page, '[data-testid=trial-net]')).toBe(before);
    await page.getByTestId('assume-reach').fill('95');
    expect(await page.getByRole('alert').innerText()).toBe('A percentage from 0 to 90.');
  });

  test('becomes an offer’s goal, exactly or following, landing in Offers with undo', async () => {
    const page = await openOrders('?goals=6200');
    await page.getByTestId('make-goal').click();
    await page.waitForURL(/\/offers\?market=nlbe/);
    await expect.poll(async () => goalOf((await readDraft(address)).policy, 'nlbe')).toBe(6200);
    expect(await page.getByTestId('pennant').getAttribute('aria-valuenow')).toBe('6200');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => goalOf((await readDraft(address)).policy, 'nlbe')).toBe(7500);
    const british = await openOrders('?goals=6000&market=uk');
    await british.getByLabel('Exact or following').selectOption('following');
    await british.getByTestId('make-goal').click();
    await british.waitForURL(/\/offers\?market=uk/);
    const target = (await readDraft(address)).policy.offers['free-delivery']!.goals.first!.targets.uk!;
    expect(target).toHaveProperty('following');
    expect(Math.abs(goalOf((await readDraft(address)).policy, 'uk')! - 6000)).toBeLessThanOrEqual(100);
  });
});

describe('a group', () => {
  test('is brushed; it says its share, what it buys and what would lift it; keys and numbers do the same', async () => {
    const page = await openOrders('?goals=6000');
    const from = await placeOf(page, 4500, 170);
    const to = await placeOf(page, 5800, 170);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 5 });
    await page.mouse.up();
    expect(await textOf(page, '[data-testid=group-share]')).toMatch(/1,\d\d\d orders, 1\d% of all/);
    expect(await textOf(page, '[data-testid=group-lifts]')).toMatch(/would lift \d+ of them \(\d+%\) over/);
    await expect.poll(() => textOf(page, '[data-testid=group-baskets]')).toMatch(/They buy most: .+\(\d+%\)/);
    await page.getByTestId('group-from').fill('50');
    await page.getByTestId('group-from').press('Enter');
    await expect.poll(() => page.url()).toMatch(/group=5000%2C58|group=5000,58/);
    const lifted = await textOf(page, '[data-testid=group-lifts] strong');
    await page.getByTestId('group-dearest').fill('3');
    await expect.poll(() => textOf(page, '[data-testid=group-lifts] strong')).not.toBe(lifted);
    await page.getByRole('button', { name: 'let it go' }).click();
    expect(await page.getByTestId('group').count()).toBe(0);
    await page.getByTestId('orders-cursor').focus();
    await page.keyboard.press('Home');
    for (let i = 0; i < 4; i++) await page.keyboard.press('PageUp');
    await page.keyboard.press('Enter');
    await page.keyboard.press('PageUp');
    await page.keyboard.press('Enter');
    await page.getByTestId('group').waitFor();
  });
});

describe('the response', () => {
  test('is measured in a worker with progress and taken as the assumption; where nothing was, that is said', async () => {
    const page = await openOrders('?from=2025-04-01&to=2025-06-30');
    await page.getByTestId('measured-goal').fill('60');
    await page.getByTestId('measured-goal').press('Enter');
    await page.getByTestId('measure').click();
    await page.getByTestId('measured-result').waitFor();
    const [, likely, low, high] = /([0-9]+)% were lifted over it, with 90 % certainty between ([0-9]+)% and ([0-9]+)%/
      .exec(await textOf(page, '[data-testid=measured-result]'))!
      .map(Number) as [number, number, number, number];
    expect(low).toBeLessThan(likely);
    expect(high).toBeGreaterThan(likely);
    expect(high).toBeGreaterThanOrEqual(43);
    await page.getByTestId('take-measured').click();
    await saved(page);
    expect((await readDraft(address)).policy.assumptions!.nlbe).toMatchObject({
      near: String(likely),
      far: String(likely),
      reach: '25',
    });
    await page.goto(`${address}/orders?market=uk&from=2025-08-01&to=2025-09-30&ask=one-more`);
    await page.getByTestId('net-curve').waitFor();
    await page.getByTestId('measured-goal').fill('52');
    await page.getByTestId('measured-goal').press('Enter');
    await page.getByTestId('measure').click();
    await page.getByText(/Not enough/).waitFor();
    expect(await page.getByTestId('take-measured').count()).toBe(0);
  });
});

describe('saved as', () => {
  test('tables and curves as CSV, the picture as SVG and PNG', async () => {
    const page = await openOrders('?goals=6000&group=4000,5000');
    const bands = parse((await savedText(page, 'Save the picture’s as bands CSV')).replace('\ufeff', ''), {
      columns: true,
    }) as Record<string, string>[];
    expect(bands.reduce((sum, band) => sum + Number(band.orders), 0)).toBeGreaterThan(8_300);
    const candidates = parse((await savedText(page, 'Save the picture’s as candidates CSV')).replace('\ufeff', ''), {
      columns: true,
    }) as Record<string, string>[];
    expect(candidates.length).toBeGreaterThan(100);
    expect(
      candidates.every(
        (row) => Math.abs(Number(row['net, EUR']) - Number(row['gain, EUR']) + Number(row['cost, EUR'])) <= 0.02,
      ),
    ).toBe(true);
    for (const name of ['Save the trial goals as CSV', 'Save the peaks as CSV', 'Save the products that lift as CSV'])
      expect(await savedText(page, name)).toMatch(/^\ufeff.+\r\n/);
    const svg = await savedText(page, 'Save the picture’s as SVG');
    expect(svg).toMatch(/^<svg[^>]+xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
    expect(svg).not.toContain('var(');
    expect(svg).toContain('average');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save the picture’s as PNG' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('orders-nlbe.png');
  });
});

describe('importing', () => {
  test('a file is chosen, looked at, corrected, checked, imported, and seen in the picture; a bad row is named', async () => {
    const page = await openOrders('?market=dk');
    const count = async () =>
      Number(/of ([\d,]+) orders/.exec(await textOf(page, '[data-testid=orders-count]'))![1]!.replace(',', ''));
    const before = await count();
    const orders = generateOrders(77, 300).filter(({ marketId }) => marketId === 'dk');
    orders.forEach((order, i) => (order.orderNumber = `UI-${i}`));
    const lines = [...orderExport(orders, { delimiter: ';', decimal: 'comma', dates: 'dmy', rows: 'orders' })];
    lines[3] = lines[3]!.replace(/\d\d\.\d\d\.\d{4}/, '31.02.2025');
    await page.getByTestId('import-orders').click();
    await page.getByTestId('import-file').setInputFiles(await fileOf('export.csv', `${lines.join('\r\n')}\r\n`));
    expect(await textOf(page, '[data-testid=file-form]')).toContain('day-month-year');
    expect(await page.getByTestId('form-delimiter').inputValue()).toBe(';');
    // A column loses its meaning and gets it back.
    await choose(page, page.getByTestId('column-4'), 'nothing');
    expect(await textOf(page, '[data-testid=import]')).toContain('Still needed: a column for the goods value.');
    expect(await page.getByTestId('check-file').isDisabled()).toBe(true);
    await choose(page, page.getByTestId('column-4'), 'goods value');
    await page.getByTestId('check-file').click();
    await page.getByTestId('apply-import').waitFor();
    expect(await textOf(page, '[data-testid=import-counts]')).toMatch(
      new RegExp(
        `${orders.length}\\s+rows in the file\\s+${orders.length - 1}\\s+orders that would be new\\s+0\\s+would be changed\\s+0\\s+the same as before\\s+1\\s+rows not taken`,
      ),
    );
    expect(await textOf(page, '[data-testid=import]')).toContain('is not a date in the form day-month-year');
    expect(await count()).toBe(before);
    await page.getByTestId('apply-import').click();
    await expect.poll(count).toBe(before + orders.length - 1);
    await page.getByTestId('close-import').click();
    await page.getByTestId('import-orders').click();
    await page.getByTestId('import-file').setInputFiles(await fileOf('export.csv', `${lines.join('\r\n')}\r\n`));
    await page.getByText('Read as the last file with this heading was.').waitFor();
    await page.getByTestId('check-file').click();
    await expect.poll(() => textOf(page, '[data-testid=import-run]')).toContain('nothing would change');
    await page.getByTestId('cancel-import').click();
    await expect.poll(() => page.getByTestId('import-run').getAttribute('data-state')).toBe('cancelled');
  });

  test('products are imported the same way', async () => {
    const page = await openOrders();
    await page.getByTestId('import-products').click();
    await page
      .getByTestId('import-file')
      .setInputFiles(
        await fileOf(
          'products.csv',
          'SKU;Name;Price EUR;Weight (kg)\nUI-1;Sail needle;3,50;0,01\nGK-1001;Tidewing 1.6 beach kite;39,95;0,42\n',
        ),
      );
    await page.getByTestId('check-file').click();
    await page.getByTestId('apply-import').waitFor();
    expect(await textOf(page, '[data-testid=import-counts]')).toMatch(
      /1\s+products that would be new\s+0\s+would be changed\s+1\s+the same/,
    );
    await page.getByTestId('apply-import').click();
    await expect.poll(() => page.getByTestId('import-run').getAttribute('data-state')).toBe('done');
    await page.getByTestId('close-import').click();
    // The page comes again, with the products.
    await page.waitForFunction(() => document.documentElement.outerHTML.includes('Sail needle'));
  });

  test('an empty file, and one that is no table, say so', async () => {
    const page = await openOrders();
    await page.getByTestId('import-orders').click();
    await page.getByTestId('import-file').setInputFiles(await fileOf('empty.csv', ''));
    expect(await page.getByRole('alert').innerText()).toContain('The file is empty');
    await page.getByTestId('import-file').setInputFiles(await fileOf('prose.txt', 'Dear all,\nthis is no table.\n'));
    await page.getByText(/Still needed: a column for the order number/).waitFor();
  });
});

test('an empty store says what to do first, and takes a file at once: its markets are proposed', async () => {
  await emptyDraft(here.blankAddress);
  const page = await open('/orders', { address: here.blankAddress });
  expect(await page.getByRole('button', { name: 'Load the demo store' }).isVisible()).toBe(true);
  const rows = [
    'Order;Date;Country;Currency;Subtotal',
    'E-1;2026-03-14;Norway;NOK;500,00',
    'E-2;2026-03-15;Sweden;SEK;650,00',
    'E-3;2026-03-16;Norway;NOK;800,00',
  ];
  await page.getByTestId('import-file').setInputFiles(await fileOf('first.csv', `${rows.join('\r\n')}\r\n`));
  const proposed = page.getByTestId('proposed-markets');
  await expect
    .poll(() => proposed.innerText())
    .toMatch(/Norway in NOK: Norway; 2 rows\s+Sweden in SEK: Sweden; 1 rows/);
  expect(await page.getByTestId('check-file').isDisabled()).toBe(true);
  await page.getByTestId('make-proposed').click();
  await expect
    .poll(async () =>
      Object.values((await readDraft(here.blankAddress)).policy.markets).map(({ currency }) => currency),
    )
    .toEqual(['NOK', 'SEK']);
  await page.getByTestId('check-file').click();
  await page.getByTestId('apply-import').click();
  // With its orders the page comes anew.
  await page.getByTestId('orders-picture').waitFor();
  await expect.poll(() => textOf(page, '[data-testid=orders-count]')).toBe('2 of 2 orders');
});

test('percentiles: the share typed is answered by the value that so many orders do not exceed', async () => {
  const page = await open('/orders?market=nlbe');
  const value = page.getByTestId('percentile-value');
  await value.scrollIntoViewIfNeeded();
  const number = async () => Number((await value.innerText()).replaceAll(/[^\d.]/g, ''));
  await expect.poll(number).toBeGreaterThan(0);
  const ofEighty = await number();
  const median = page.getByTestId('percentiles').locator('div', { has: page.getByText('50 %', { exact: true }) });
  const ofFifty = (await median.locator('dd').innerText()).replaceAll(/[^\d.]/g, '');
  await page.getByTestId('percentile').fill('50');
  await page.getByTestId('percentile').press('Enter');
  await expect.poll(number).toBe(Number(ofFifty));
  expect(await number()).toBeLessThan(ofEighty);
});
