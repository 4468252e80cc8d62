import { beforeEach, describe, expect, test } from 'vitest';
import { patchDraft, readDraft } from '../support/api.ts';
import { emptyDraft, resetDraft, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());

describe('the check-up', () => {
  test('names what is wrong with a place, a count on the trail and a cart that shows it', async () => {
    const page = await open('/release');
    const luxembourg = page.getByTestId('findings').getByRole('row', { name: /Luxembourg/ });
    await expect.poll(() => luxembourg.innerText()).toContain('no zone takes it in: nobody there can check out');
    expect(await luxembourg.innerText()).toContain('wrong');
    await expect.poll(() => page.getByTestId('count-markets').innerText()).toMatch(/^2\s+things that are wrong/);
    // How many depends on what other files have done to products.
    expect(await page.getByTestId('count-delivery').innerText()).toMatch(/that (is|are) risky at Delivery/);
    await luxembourg.getByRole('link', { name: /A cart that shows/ }).click();
    await expect
      .poll(() => textOf(page, '[data-testid=shopper-checkout]'))
      .toContain('No zone covers this destination');
  });
  test('is narrowed by how bad, kind, market and words', async () => {
    const page = await open('/release');
    const rows = page.getByTestId('findings').locator('tbody tr');
    await expect.poll(() => rows.count()).toBeGreaterThan(5);
    await page.getByTestId('findings-severity').selectOption('wrong');
    await expect.poll(() => rows.count()).toBe(2);
    await page.getByTestId('findings-severity').selectOption('');
    await page.getByTestId('findings-market').selectOption('us');
    await expect.poll(() => rows.allInnerTexts()).toContainEqual(expect.stringContaining('The warehouse'));
    await expect.poll(async () => (await rows.allInnerTexts()).join()).not.toContain('Luxembourg');
    expect(page.url()).toContain('in=us');
    await page.getByTestId('findings-stop').selectOption('markets');
    // Amounts may have drifted from the rate of the day, too.
    await expect.poll(() => rows.allInnerTexts()).toContainEqual(expect.stringContaining('such as Canada'));
    await expect.poll(async () => (await rows.allInnerTexts()).join()).not.toContain('The warehouse');
    await page.getByTestId('findings-stop').selectOption('');
    await page.getByTestId('findings-market').selectOption('');
    await page.getByTestId('findings-kind').selectOption('optionDates');
    await expect.poll(() => rows.allInnerTexts()).toEqual([expect.stringContaining('Summer courier')]);
  });
  test('mends what can be mended by a press, which undo takes back', async () => {
    const page = await open('/release');
    const clash = page.getByTestId('findings').getByRole('row', { name: /unlocks/ });
    await expect.poll(() => page.getByTestId('findings').count()).toBe(1);
    const { revision } = await readDraft(address);
    await patchDraft(address, revision, [{ op: 'add', path: '/offers/postcard/unlock/codes/GUST10', value: true }]);
    await page.reload();
    await expect
      .poll(() => clash.innerText())
      .toContain('The code “GUST10” unlocks “Autumn letter” and “Postcard” alike');
    await clash.getByRole('button', { name: 'Take it out of “Postcard”' }).click();
    await expect.poll(() => textOf(page, '[data-testid=remedy]')).toContain('→ taken away');
    await page.getByTestId('remedy').getByRole('button', { name: 'Take it out of “Postcard”' }).click();
    await expect.poll(() => clash.count()).toBe(0);
    await expect
      .poll(async () => Object.keys((await readDraft(address)).policy.offers.postcard!.unlock as object).length)
      .toBe(2);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => clash.count()).toBe(1);
  });
  test('is accepted for a reason, told apart then, and comes back when that is taken back', async () => {
    const page = await open('/release');
    const warehouse = page.getByTestId('findings').getByRole('row', { name: /The warehouse/ });
    await warehouse.getByRole('button', { name: /^Accept/ }).click();
    await page.getByTestId('accept-reason').fill('Somebody is always there');
    await page.getByRole('button', { name: 'Accept', exact: true }).click();
    await expect.poll(() => warehouse.count()).toBe(0);
    await expect
      .poll(async () => Object.values((await readDraft(address)).policy.accepted ?? {}))
      .toEqual([
        { reason: 'Somebody is always there', sentence: expect.stringMatching(/^“The warehouse” has no opening/) },
      ]);
    await page.getByTestId('findings-severity').selectOption('accepted');
    await expect.poll(() => warehouse.innerText()).toContain('Accepted: Somebody is always there');
    await warehouse.getByRole('button', { name: 'Do not accept' }).click();
    await expect.poll(() => warehouse.count()).toBe(0);
    await page.getByTestId('findings-severity').selectOption('');
    await expect.poll(() => warehouse.count()).toBe(1);
  });
  test('is opened from the trail, the palette and a mark beside the thing itself', async () => {
    const page = await open('/delivery?market=nlbe&zone=nlbe-islands');
    await page.getByTestId('found-/options/nlbe-islands-air').click();
    await expect
      .poll(() => page.getByRole('dialog', { name: /The check-up on Island flight/ }).innerText())
      .toContain('When “island-air” does not answer');
    await page.keyboard.press('Escape');
    await page.getByTestId('count-wording').click();
    await page.waitForURL(/\/release\?stop=wording/);
    const stops = page.getByTestId('findings').getByRole('row').getByRole('link', { name: 'Wording' });
    await expect.poll(() => stops.count()).toBeGreaterThan(3);
    expect(await page.getByTestId('findings').getByRole('row').getByRole('link', { name: 'Markets' }).count()).toBe(0);
    expect(await page.getByTestId('not-examined').innerText()).toContain('Autumn letter');
    const other = await open('/offers');
    await other.keyboard.press('Control+k');
    const palette = other.getByRole('dialog').getByRole('combobox');
    await expect.poll(() => palette.evaluate((field) => field === document.activeElement)).toBe(true);
    await palette.fill('what the check-up finds');
    await expect
      .poll(() => other.getByRole('dialog').getByRole('option').first().innerText())
      .toContain('What the check-up finds');
    await other.keyboard.press('Enter');
    await other.waitForURL(/\/release#check-up/);
  });
  test('follows a store that is made by hand', async () => {
    await emptyDraft(here.blankAddress);
    const page = await open('/markets', { address: here.blankAddress });
    await page.getByTestId('find-country').fill('Norway');
    await page.getByTestId('make-market').click();
    await expect.poll(() => page.getByTestId('count-delivery').innerText()).toMatch(/^1\s/);
    await page.goto(`${here.blankAddress}/release`);
    await expect
      .poll(() => textOf(page, '[data-testid=findings]'))
      .toContain('“All of Norway” has no delivery option that is on: nobody there can check out.');
    await page.goto(`${here.blankAddress}/delivery`);
    await page.getByTestId('starter-flat').click();
    await expect.poll(() => page.getByTestId('count-delivery').count()).toBe(0);
  });
});
