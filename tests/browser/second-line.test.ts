import { beforeEach, describe, expect, test } from 'vitest';
import { inOrder } from '../../src/core/ordered.ts';
import { readDraft } from '../support/api.ts';
import { resetDraft, saved, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
beforeEach(() => resetDraft());
const policy = async () => (await readDraft(here.address)).policy;

describe('the second line', () => {
  test('leads to the parts of a stop, by click and by keys, and follows what is looked at', async () => {
    const page = await open('/offers');
    const current = page.getByTestId('parts').locator('[aria-current=true]');
    await expect.poll(() => current.innerText()).toBe('line');
    const names = await page.getByTestId('parts').getByRole('link').allInnerTexts();
    expect(names.length).toBeGreaterThan(3);
    await page.keyboard.press(']');
    await expect.poll(() => current.innerText()).toBe(names[1]!);
    await page.keyboard.press('[');
    await expect.poll(() => current.innerText()).toBe('line');
    await page.getByTestId('parts').getByRole('link', { name: 'shoppers' }).click();
    const shoppers = page.getByTestId('shoppers');
    await expect
      .poll(() => shoppers.evaluate((part) => part.getBoundingClientRect().top < window.innerHeight))
      .toBe(true);
  });

  test('the trail counts the texts that are not finished', async () => {
    const page = await open('/wording');
    const count = () => textOf(page, '[data-testid=count-wording]');
    await expect.poll(count).toMatch(/things that are risky/);
    const risky = Number.parseInt(await count(), 10);
    await page.getByTestId('text-progress').getByRole('textbox').fill('Nog {remainin} te gaan');
    await expect.poll(async () => Number.parseInt(await count(), 10)).toBe(risky + 1);
    await saved(page);
  });
});

describe('on a phone', () => {
  test('the bench is a bar at the bottom that opens', async () => {
    const page = await open('/offers', { viewport: { width: 390, height: 844 } });
    const raise = page.getByTestId('raise-bench');
    const { y, height } = (await raise.boundingBox())!;
    expect(y + height).toBeLessThanOrEqual(844);
    const [first] = inOrder((await policy()).testCarts).filter(([, { pinned }]) => pinned);
    const card = page.getByTestId(`bench-${first![0]}`);
    expect(await card.isVisible()).toBe(false);
    await raise.click();
    await expect.poll(() => card.isVisible()).toBe(true);
    await raise.click();
    await expect.poll(() => card.isVisible()).toBe(false);
  });
});

test('a row is dragged by keys alone, and what happens is announced', async () => {
  const order = async () =>
    inOrder((await policy()).options)
      .filter(([, { zone }]) => zone === 'nlbe-all')
      .map(([id]) => id);
  const [first, second, ...rest] = await order();
  const page = await open('/delivery?market=nlbe&zone=nlbe-all');
  const handle = page.getByTestId(`drag-${first!}`);
  await handle.focus();
  await page.keyboard.press('Space');
  const announced = page.getByRole('status').filter({ hasText: /is taken up|would come/ });
  await announced
    .filter({ hasText: 'is taken up' })
    .or(announced.filter({ hasText: 'would come' }))
    .waitFor();
  await page.keyboard.press('ArrowDown');
  await announced.filter({ hasText: 'would come to place 2' }).waitFor();
  await page.keyboard.press('Space');
  await expect.poll(order).toEqual([second, first, ...rest]);
});
