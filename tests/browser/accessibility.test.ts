import { beforeAll, describe, expect, test } from 'vitest';
import { violations } from '../support/accessibility.ts';
import { moveTo, resetDraft, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';
import { stops } from '../support/stops.ts';

const { open } = useBrowser();
beforeAll(() => resetDraft());

describe('accessibility of every stop', () => {
  test.each(stops)('%s', async (path) => {
    expect(await violations(await open(path))).toEqual([]);
  });
});

test('accessibility of a policy page as it is published', async () => {
  const page = await open('/orders');
  await page.goto('about:blank');
  for (const of of ['nlbe/nl-NL', 'jp/ja-JP', 'deat/ar-DE']) {
    const response = await fetch(`${here.address}/published/${of}/policy-page.html`);
    // It is served so that nothing runs in it, nor in a test.
    await page.setContent(await response.text());
    expect(await page.locator('main').innerText()).not.toBe('');
    expect(await violations(page)).toEqual([]);
  }
});

describe('accessibility of what opens in a stop', () => {
  test('the reasons of the bench, and the palette', async () => {
    const page = await open('/rehearse');
    for (const why of (await page.getByRole('button', { name: /^Why/ }).all()).slice(0, 4)) {
      await why.click();
      await page.getByTestId('reasons').waitFor();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByTestId('reasons').waitFor({ state: 'detached' });
    }
    await page.keyboard.press('Control+k');
    await page.getByRole('dialog').getByRole('option').first().waitFor();
    expect(await violations(page)).toEqual([]);
  });
  test('an offer by code with a condition, its codes and a search opened', async () => {
    const page = await open('/offers?offer=campaign&condition=dear-basket');
    await page.getByTestId('make-codes').click();
    await page.getByTestId('qualifiers').getByTestId('add-condition').first().click();
    await page.locator('[popover]:popover-open [role=option]').first().waitFor();
    expect(await violations(page)).toEqual([]);
    await moveTo(page, new URL('/delivery?zone=nlbe-round&option=nlbe-round-van', page.url()).href);
    await page.getByTestId('offered-when-edit').click();
    expect(await violations(page)).toEqual([]);
  });
});
