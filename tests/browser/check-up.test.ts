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
    await expect.poll(() => page.getByTestId('count-markets').innerText()).toMatch(/^1\s/);
    expect(await page.getByTestId('count-delivery').count()).toBe(0);
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
    await expect.poll(() => rows.count()).toBe(1);
    await page.getByTestId('findings-severity').selectOption('');
    await page.getByTestId('findings-market').selectOption('us');
    await expect.poll(() => rows.allInnerTexts()).toEqual([expect.stringContaining('The warehouse')]);
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
    await expect.poll(() => clash.count()).toBe(0);
    await expect
      .poll(async () => Object.keys((await readDraft(address)).policy.offers.postcard!.unlock as object).length)
      .toBe(2);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => clash.count()).toBe(1);
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
