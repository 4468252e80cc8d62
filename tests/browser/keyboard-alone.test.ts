import type { Locator, Page } from 'playwright-core';
import { afterAll, beforeEach, expect, test } from 'vitest';
import { inOrder } from '../../src/core/ordered.ts';
import { readDraft } from '../support/api.ts';
import { releaseDemo, resetDraft, saved, useBrowser, writtenIn } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
beforeEach(() => resetDraft());
afterAll(() => releaseDemo());
const policy = async () => (await readDraft(here.address)).policy;

/** Tab until something has the focus; it has to come within as many steps as a patient person takes. */
async function tabTo(page: Page, target: Locator, most = 250): Promise<void> {
  await target.waitFor({ state: 'attached' });
  for (let steps = 0; steps < most; steps++) {
    if (await target.evaluate((element) => (element.getRootNode() as Document | ShadowRoot).activeElement === element))
      return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`not reached by Tab in ${most} steps`);
}

async function typeInto(page: Page, target: Locator, text: string): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press('Control+a');
  await page.keyboard.type(text);
}

test('a goal is raised, and a second one is added', async () => {
  const page = await open('/offers');
  await typeInto(page, page.getByTestId('grid-free-delivery-nlbe'), '79');
  await page.keyboard.press('Enter');
  const goals = async () => inOrder((await policy()).offers['free-delivery']!.goals);
  await expect.poll(async () => JSON.stringify((await goals())[0])).toContain('7900');
  await tabTo(page, page.getByTestId('add-goal'));
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await goals()).length).toBe(2);
});

test('an option with two steps is added', async () => {
  const page = await open('/delivery?market=nlbe&zone=nlbe-all');
  const before = new Set(Object.keys((await policy()).options));
  await tabTo(page, page.getByTestId('starter-byValue'));
  await page.keyboard.press('Enter');
  const added = async () => Object.entries((await policy()).options).filter(([id]) => !before.has(id));
  await expect.poll(async () => (await added()).length).toBe(1);
  await typeInto(page, page.getByTestId('price-1'), '8');
  await page.keyboard.press('Enter');
  await typeInto(page, page.getByTestId('from-2'), '45');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => inOrder((await added())[0]![1].charge.lines).map(([, { over }]) => over?.from))
    .toEqual([{ exact: 0 }, { exact: 4500 }, expect.anything()]);
});

test('a text is written in two languages', async () => {
  const page = await open('/wording?market=deat&language=de-DE');
  const written = async () => (await policy()).wording['free-delivery']?.progress?.everyPlace ?? {};
  await typeInto(page, page.getByTestId('text-progress').getByRole('textbox'), 'Noch {remaining}');
  await expect.poll(() => writtenIn(page.getByTestId('text-progress').getByRole('textbox'))).toBe('Noch {remaining}');
  await expect.poll(async () => (await written())['de-DE']).toBe('Noch {remaining}');
  await typeInto(page, page.getByTestId('language-phrase'), 'ar');
  await expect.poll(() => page.url()).toContain('ar-DE');
  await typeInto(page, page.getByTestId('text-progress').getByRole('textbox'), 'بقي {remaining}');
  await expect.poll(written).toMatchObject({ 'de-DE': 'Noch {remaining}', 'ar-DE': 'بقي {remaining}' });
  await saved(page);
});

test('a release is made', async () => {
  const page = await open('/offers');
  await typeInto(page, page.getByTestId('grid-free-delivery-nlbe'), '79');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.keyboard.press('Control+k');
  const palette = page.getByRole('dialog').getByRole('combobox');
  await expect.poll(() => palette.evaluate((field) => field === document.activeElement)).toBe(true);
  await page.keyboard.type('release');
  await expect.poll(() => page.getByRole('dialog').getByRole('option').first().innerText()).toContain('Release');
  await page.keyboard.press('Enter');
  await page.getByTestId('release-reason').waitFor();
  await typeInto(page, page.getByTestId('release-note'), 'by keys');
  await typeInto(page, page.getByTestId('release-reason'), 'meant so');
  await tabTo(page, page.getByTestId('release-button'));
  await page.keyboard.press('Enter');
  await page.getByText(/Release \d+ is what the shop uses now\./).waitFor();
});
