import { beforeEach, expect, test } from 'vitest';
import { patchDraft, readDraft, setGoal } from '../support/api.ts';
import { resetDraft, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());

test('what a release changes for shoppers is said with its stretch, its prices and how many orders, and opens a cart there', async () => {
  await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 7900));
  const page = await open('/release');
  const sentence = page.getByTestId('effect-sentence').first();
  await expect
    .poll(async () => (await sentence.innerText()).replaceAll(/\s/g, ' '))
    .toMatch(
      /Netherlands & Belgium, All of the Netherlands and Belgium, shoppers in general: from €75\.00 to below €79\.00 “Parcel to the door” costs €5\.95 instead of nothing/,
    );
  await expect.poll(() => sentence.innerText()).toMatch(/\d(\.\d)?% of this market’s past orders/);
  await page.getByTestId('effect-is-nlbe-door').waitFor();
  await page.getByTestId('effect-zone').selectOption('nlbe-islands');
  await page.getByTestId('effect-is-nlbe-islands-ferry').waitFor();
  await page.getByTestId('changes-edits').click();
  await expect
    .poll(() => page.getByTestId('change').allInnerTexts())
    .toEqual([expect.stringMatching(/Goal of “Free delivery”/)]);
  await page.getByTestId('changes-first').click();
  await sentence.getByRole('link', { name: 'a cart there' }).click();
  await expect.poll(() => textOf(page, '[data-testid=shared-cart]')).toContain('Shared by a link');
  expect(page.url()).toContain('laid=both');
});
