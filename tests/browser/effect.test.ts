import { beforeEach, expect, test } from 'vitest';
import { removeMarket } from '../../src/client/edits/market-edits.ts';
import { removeOffer } from '../../src/client/edits/offer-edits.ts';
import { inTurn } from '../../src/client/edits/set-at.ts';
import { patchDraft, readDraft, setGoal } from '../support/api.ts';
import { resetDraft, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());

test('what a release changes for shoppers is said with its stretch, its prices and how many orders, and opens a cart there', async () => {
  await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 7900));
  const page = await open('/release');
  const stretch = page.getByTestId('effect-stretch').first();
  await expect
    .poll(() => stretch.getByRole('heading').innerText())
    .toMatch(/Netherlands & Belgium, from €75\.00 to below €79\.00 · \d(\.\d)?% of past orders lie there/);
  const sentence = stretch.getByTestId('effect-sentence').first();
  await expect
    .poll(() => sentence.innerText())
    .toMatch(
      /All of the Netherlands and Belgium, shoppers in general: “Parcel to the door” costs €5\.95 instead of nothing/,
    );
  await page.getByTestId('effect-is-nlbe-door').waitFor();
  await page.getByTestId('effect-zone').selectOption({ label: 'Netherlands & Belgium, Outer islands' });
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

test('on paper all of it stands market by market, and nothing else of the page', async () => {
  await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 7900));
  const page = await open('/release');
  await page.getByTestId('effect-sentence').first().waitFor();
  await page.emulateMedia({ media: 'print' });
  const record = page.locator('.printed-record');
  await expect
    .poll(() => record.innerText())
    .toMatch(
      /Changes for shoppers since release \d+[^]*Netherlands & Belgium[^]*from €75\.00 to below €79\.00: “Parcel to the door” costs €5\.95/,
    );
  expect(await page.getByRole('heading', { name: 'Guarantees' }).isVisible()).toBe(false);
});

test('a market that the draft has no longer is said to be gone, and not asked for orders', async () => {
  // One of its offers has amounts in it.
  const gone = inTurn(removeOffer('three-spares'), removeMarket('jp'));
  const { revision, policy } = await readDraft(address);
  expect((await patchDraft(address, revision, gone(policy))).status).toBe(200);
  // A question that finds nothing would fail the test.
  const page = await open('/release');
  await page.getByTestId('effect-picture').first().waitFor();
  await expect.poll(() => textOf(page, '[data-testid=effect]')).toContain('Japan');
});
