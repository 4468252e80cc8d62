import { describe, expect, test } from 'vitest';
import { violations } from './accessibility.ts';
import { moveTo, type useBrowser } from './browser.ts';
import { here } from './here.ts';
import { stops } from './stops.ts';

/** What views show besides when asked for. */
const inside = [
  '/wording?view=languages&beside=ar-DE',
  '/wording?view=look',
  '/wording?offer=two-steps&language=ar-DE&place=cart',
  '/rehearse?laid=both&width=desktop&tool=line-up',
  '/rehearse?cart=two-steps-arabic&tool=charged',
];

/** Every stop, and what opens in it, in one of the themes. */
export function describeAccessibility(
  colorScheme: 'light' | 'dark',
  open: ReturnType<typeof useBrowser>['open'],
  also: readonly string[] = [],
): void {
  describe(`accessibility, ${colorScheme}`, () => {
    test.each(stops)('%s', async (path) => {
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
    test.each([...inside, ...also])('%s', async (path) => {
      expect(await violations(await open(path, { colorScheme }))).toEqual([]);
    });
    test('the empty store', async () => {
      for (const path of ['/offers', '/wording', '/rehearse', '/release'])
        expect(await violations(await open(path, { colorScheme, address: here.emptyAddress }))).toEqual([]);
    });
  });
}
