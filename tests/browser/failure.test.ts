import { beforeEach, expect, test } from 'vitest';
import { goalOf, readDraft } from '../support/api.ts';
import { leadOf, ready, resetDraft, saved, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
beforeEach(() => resetDraft());

test('a part that fails says so in its place: bench, draft and undo go on, and it can be shown again', async () => {
  const page = await open('/offers', { allow: /out of order|error occurred|recreate/ });
  const pennant = page.getByTestId('pennant');
  await pennant.focus();
  await page.keyboard.press('ArrowLeft');
  const goal = async () => goalOf((await readDraft(here.address)).policy, 'nlbe');
  await expect.poll(goal).toBeLessThan(7500);
  await saved(page);
  // What the grid does first of all fails from now on, until it is put right.
  await page.addInitScript(() => {
    const scrollTo = Element.prototype.scrollTo;
    Element.prototype.scrollTo = () => {
      throw new Error('out of order');
    };
    Object.assign(window, { putRight: () => (Element.prototype.scrollTo = scrollTo) });
  });
  await page.reload();
  await ready(page);
  const failed = page.getByTestId('failed');
  await failed.getByText('This stop could not be shown').waitFor();
  expect(await failed.innerText()).toContain('out of order');
  expect(await failed.innerText()).toContain('All your edits are saved');
  const lead = await leadOf(page, 'beach-day');
  await failed.getByRole('button', { name: 'Undo the last edit' }).click();
  await expect.poll(() => leadOf(page, 'beach-day')).not.toBe(lead);
  await expect.poll(goal).toBe(7500);
  await failed.waitFor();
  await page.evaluate('putRight()');
  await failed.getByRole('button', { name: 'Show it again' }).click();
  await page.getByTestId('pennant').waitFor();
  await failed.waitFor({ state: 'detached' });
});
