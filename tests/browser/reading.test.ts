import { mkdtempSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { beforeAll, describe, expect, test } from 'vitest';
import { generateOrders } from '../../demo/generate-orders.ts';
import { orderExport } from '../../demo/order-export.ts';
import { marketTruths } from '../../demo/order-truth.ts';
import { patchDraft, readDraft } from '../support/api.ts';
import { emptyDraft, moveTo, releaseDemo, saved, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const blank = here.blankAddress;
const made = async () => (await readDraft(blank)).policy;
const file = join(mkdtempSync(join(tmpdir(), 'summant-reading-')), 'orders.csv');
beforeAll(() =>
  writeFile(
    file,
    [...orderExport(generateOrders(), { delimiter: ',', decimal: 'point', dates: 'ymd', rows: 'orders' })].join('\n'),
  ),
);

/** An empty store’s Orders, with the demo’s export chosen. What is asked of markets that come or go just then may find none. */
async function chosen(before: (page: Page) => Promise<void> = async () => {}): Promise<Page> {
  await emptyDraft(blank);
  const page = await open('/orders', { address: blank, allow: /404/ });
  await before(page);
  await page.getByTestId('import-file').setInputFiles(file);
  return page;
}

const proposed = async (page: Page) => {
  await page.getByTestId('read-rules').waitFor();
  return textOf(page, '[data-testid=read-rules]');
};

describe('an empty store and its first file of orders', () => {
  test('how it charges is read, taken over in one edit, imported and released', async () => {
    const page = await chosen();
    const said = await proposed(page);
    const [, share, orders] = /([\d.]+)% of ([\d,]+) orders were charged, to the cent, as is read here/.exec(said)!;
    expect(Number(share)).toBeGreaterThan(97);
    expect(orders).toBe('24,000');
    expect(said).toContain('Netherlands & Belgium, paid in EUR');
    expect(said).toMatch(/free from €75\.00 by every option, since 1 Jul 2025 \(where it begins lies above €74\.95/);
    expect(said).toContain('prices include tax, whose rates stand at 0 % until they are set at Markets');
    await page.getByTestId('take-reading').click();
    await expect.poll(async () => Object.keys((await made()).markets).length).toBe(marketTruths.length);
    const policy = await made();
    const offers = Object.values(policy.offers);
    expect(offers).toHaveLength(1);
    expect(Object.keys(offers[0]!.goals.first!.targets).sort()).toEqual(Object.keys(policy.markets).sort());
    await expect
      .poll(() => textOf(page, '[data-testid=made-from-file]'))
      .toContain('7 markets with 13 delivery options');

    await page.getByTestId('check-file').click();
    await page.getByTestId('apply-import').click();
    // With its orders the page comes anew.
    await page.getByTestId('orders-picture').waitFor();
    // Nothing is released twice in one store: each time it has another name.
    const { revision } = await readDraft(blank);
    const name = { op: 'replace' as const, path: '/store/name', value: `Read at ${Date.now()}` };
    expect((await patchDraft(blank, revision, [name])).status).toBe(200);
    await moveTo(page, `${blank}/release`);
    const button = page.getByTestId('release-button');
    const before = Number(/number (\d+)/.exec(await button.innerText())![1]);
    await page.getByLabel('What this release is for').fill(`Rules read from orders, as number ${before}`);
    await button.click();
    await expect
      .poll(() => page.getByRole('status').first().innerText())
      .toContain(`no change since release ${before}`);
  });

  test('one step takes back all that was taken over', async () => {
    const page = await chosen();
    await proposed(page);
    await page.getByTestId('take-reading').click();
    await expect.poll(async () => Object.keys((await made()).options).length).toBe(13);
    await saved(page);
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await expect.poll(async () => Object.keys((await made()).markets)).toEqual([]);
    expect(await made()).toMatchObject({ zones: {}, options: {}, offers: {}, wording: {} });
  });

  test('parts are left out; orders that are not explained are counted, with examples', async () => {
    const page = await chosen();
    await proposed(page);
    const japan = page.getByTestId('read-JPY-JP');
    await japan.getByRole('checkbox').first().uncheck();
    const denmark = page.getByTestId('read-DKK-DK');
    await denmark.getByRole('checkbox', { name: 'goal' }).uncheck();
    await expect
      .poll(() => page.getByTestId('take-reading').innerText())
      .toBe('Take over 6 markets, 12 options and 5 goals');
    const kingdom = page.getByTestId('read-GBP-GB');
    await kingdom.locator('summary').click();
    await expect
      .poll(async () => (await kingdom.innerText()).replaceAll(/[\u00a0\u202f]/g, ' '))
      .toMatch(/\d+ by “uk-tracked” paid £6\.95 where the rules say free: GK-\d+ of \d+ \w+ 2026, £[\d.]+, GB ZZ/);
    await page.getByTestId('take-reading').click();
    await expect.poll(async () => Object.keys((await made()).markets).length).toBe(6);
    const { markets, offers } = await made();
    const [denmarkId] = Object.entries(markets).find(([, { countries }]) => countries.includes('DK'))!;
    expect(Object.keys(Object.values(offers)[0]!.goals.first!.targets)).not.toContain(denmarkId);
  });

  test('reading can be stopped, begun again, and done without', async () => {
    let letGo = () => {};
    const held = new Promise<void>((resolve) => (letGo = resolve));
    const page = await chosen(async (opened) => {
      await opened.route(/reading\.worker/, async (route) => {
        await held;
        await route.continue();
      });
    });
    await page.getByTestId('stop-reading').click();
    await page.getByText('Reading from the orders how they were charged was stopped').waitFor();
    // Markets alone are proposed instead.
    await expect.poll(() => textOf(page, '[data-testid=proposed-markets]')).toContain('in EUR');
    letGo();
    await page.getByTestId('read-again').click();
    expect(await proposed(page)).toContain('24,000 orders');
  });
});

test('a market with orders and without options: its rules are read into it', async () => {
  const page = await chosen();
  await proposed(page);
  await page.getByTestId('take-reading').click();
  await expect.poll(() => page.getByTestId('check-file').isEnabled()).toBe(true);
  await page.getByTestId('check-file').click();
  await page.getByTestId('apply-import').click();
  await page.getByTestId('orders-picture').waitFor();
  await saved(page);
  const { revision, policy } = await readDraft(blank);
  const emptied = (['options', 'offers', 'wording'] as const).map((collection) => ({
    op: 'replace' as const,
    path: `/${collection}`,
    value: {},
  }));
  expect((await patchDraft(blank, revision, emptied)).status).toBe(200);
  const [market] = Object.entries(policy.markets).find(([, { countries }]) => countries.includes('NL'))!;
  await page.goto(`${blank}/orders?market=${market}`);
  await page.getByTestId('rules-for-market').getByTestId('read-rules').waitFor();
  await page.getByTestId('take-reading').click();
  await expect
    .poll(async () => Object.values((await made()).options).map(({ name, zone }) => [name, zone]))
    .toEqual([
      ['Nlbe door', `${market}-all`],
      ['Nlbe parcel shop', `${market}-all`],
    ]);
  expect(Object.keys((await made()).markets)).toHaveLength(marketTruths.length);
  // What is there now is compared with the orders.
  await page.getByTestId('orders-and-rules').scrollIntoViewIfNeeded();
  await expect
    .poll(() => textOf(page, '[data-testid=orders-compared]'))
    .toMatch(/of 8,621 orders were charged what the draft would charge\. None came after a release/i);
  await emptyDraft(blank);
});

describe('orders beside the rules of their day', () => {
  test('disagreements are counted, and an example opens at Rehearse as it was charged', async () => {
    await releaseDemo();
    const page = await open('/orders?market=deat');
    await page.getByTestId('orders-and-rules').scrollIntoViewIfNeeded();
    await page.getByTestId('orders-compared').waitFor();
    expect(await textOf(page, '[data-testid=orders-compared]')).toMatch(
      /[\d.]+% of 5,\d{3} orders were charged what the rules of their day would charge\. \d+ came before the first release/,
    );
    const first = page.getByTestId('disagreement').first();
    await expect
      .poll(async () => (await first.innerText()).replaceAll(/[\u00a0\u202f]/g, ' '))
      .toMatch(/^[\d,]+ by Parcel to the door.* paid \S+ where the rules say \S+ · goods from €[\d.]+ to €[\d.]+/);
    await page.getByRole('button', { name: /^Show all \d+$/ }).click();
    await expect.poll(() => page.getByTestId('disagreement').count()).toBeGreaterThan(4);
    await first.getByTestId('order-at-rehearse').first().click();
    await page.waitForURL(/\/rehearse\?shared=.*tool=charged/);
    await page
      .getByText(/Order GK-\d+/)
      .first()
      .waitFor();
  });

  test('nothing above moves while they are compared', async () => {
    const page = await open('/orders?market=deat');
    let answer = () => {};
    const held = new Promise<void>((resolve) => (answer = resolve));
    await page.route('**/api/releases/*', async (route) => {
      await held;
      await route.continue();
    });
    const section = page.getByTestId('orders-and-rules');
    await section.scrollIntoViewIfNeeded();
    await page.getByTestId('stop-reading').waitFor();
    // As high as its place was before: a page seen from its end would move.
    expect((await section.boundingBox())!.height).toBeGreaterThan(150);
    answer();
    await page.getByTestId('orders-compared').waitFor();
    await page.unrouteAll({ behavior: 'wait' });
  });

  test('its orders say their rules by themselves, when asked', async () => {
    const page = await open('/orders?market=deat');
    await page.getByTestId('orders-and-rules').scrollIntoViewIfNeeded();
    await page.getByTestId('read-market').click();
    await page.getByTestId('rules-read').waitFor();
    const said = await textOf(page, '[data-testid=rules-read]');
    expect(said).toContain('100% of 5,689 orders are charged just so');
    expect(said).toMatch(/Parcel to the door.*: €5\.90/);
    expect(said).toContain('free from €79.00');
  });
});
