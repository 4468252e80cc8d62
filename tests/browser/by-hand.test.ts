import { describe, expect, test } from 'vitest';
import { readDraft } from '../support/api.ts';
import { choose, emptyDraft, moveTo, resetDraft, setDate, textOf, useBrowser, writtenIn } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const blank = here.blankAddress;
const made = async () => (await readDraft(blank)).policy;
const draft = async () => (await readDraft(here.address)).policy;

describe('a store made by hand', () => {
  test('begins with a market in its country’s currency, and can be rehearsed before it has a product', async () => {
    await emptyDraft(blank);
    const page = await open('/markets', { address: blank });
    await page.getByTestId('find-country').fill('Norway');
    await page.getByTestId('make-market').click();
    await expect.poll(async () => (await made()).markets.norway?.currency).toBe('NOK');
    // Typing goes on where the new market is named.
    await expect
      .poll(() => page.evaluate(() => document.activeElement?.getAttribute('data-testid')))
      .toBe('market-name');
    const set = async (testId: string, text: string) => {
      await page.getByTestId(testId).fill(text);
      await page.getByTestId(testId).press('Enter');
    };
    await choose(page, page.getByTestId('market-clock'), 'Oslo');
    await expect.poll(async () => (await made()).markets.norway!.timeZone).toBe('Europe/Oslo');
    await choose(page, page.getByTestId('new-language'), 'French');
    await expect.poll(async () => (await made()).markets.norway!.languages).toContain('fr-NO');
    await set('store-name', 'Fjord Kites');
    await choose(page, page.getByTestId('store-clock'), 'oslo');
    await choose(page, page.getByTestId('store-country'), 'Norway');
    await expect
      .poll(async () => (await made()).store)
      .toMatchObject({ name: 'Fjord Kites', timeZone: 'Europe/Oslo', origin: { country: 'NO' } });

    await moveTo(page, `${blank}/delivery`);
    await page.getByTestId('starter-flat').click();
    // English is no label of a Norwegian market; its name is shown until one is written.
    await expect
      .poll(async () => Object.values((await made()).options).map(({ name, label }) => [name, label]))
      .toEqual([['Parcel', {}]]);

    await moveTo(page, `${blank}/rehearse`);
    await page.getByTestId('first-cart').click();
    await expect.poll(() => textOf(page, '[data-testid=shopper-checkout]')).toContain('Parcel');
    await expect
      .poll(async () => Object.values((await made()).testCarts).map(({ destination }) => destination.country))
      .toEqual(['NO']);
    await page.getByTestId('new-cart').click();
    await expect.poll(() => page.evaluate(() => document.activeElement?.getAttribute('data-testid'))).toBe('cart-name');
    await moveTo(page, `${blank}/release`);
    await page.getByTestId('release-button').click();
    await expect.poll(() => page.getByRole('status').first().innerText()).toMatch(/no change since release \d/);
  });
  test('a new zone is off until it says what it takes in; postcodes that cannot be are pointed out', async () => {
    await resetDraft();
    const page = await open('/markets?market=nlbe');
    const before = Object.keys((await draft()).zones).length;
    await page.getByTestId('add-zone').click();
    await expect.poll(async () => Object.keys((await draft()).zones).length).toBe(before + 1);
    const [id, zone] = Object.entries((await draft()).zones).at(-1)!;
    expect(zone.on).toBe(false);
    if (!(await page.getByTestId('paste-exclude').isVisible())) await page.getByTestId(`open-zone-${id}`).click();
    await page.getByTestId('paste-exclude').click();
    await page.getByTestId('pasted-postcodes').fill('1799 ZA, 123456');
    await expect
      .poll(() => textOf(page, '[data-testid=pasted-report]'))
      .toContain('One looks like no postcode of Netherlands: 123456');
    expect(await textOf(page, '[data-testid=pasted-report]')).toContain('Leave out 2');
  });
});

describe('typing', () => {
  test('Escape takes back a text’s whole edit, also what has been saved meanwhile', async () => {
    await resetDraft();
    const page = await open('/wording?offer=free-delivery&language=en-GB');
    const text = async () => (await draft()).wording['free-delivery']!.reached!.everyPlace!['en-GB'];
    const was = await text();
    const field = page.getByTestId('text-reached').getByRole('textbox');
    await field.click();
    await field.fill('Delivered for nothing.');
    // Saved by itself after a moment.
    await expect.poll(text).toBe('Delivered for nothing.');
    await field.pressSequentially(' Really');
    await field.press('Escape');
    await expect.poll(() => writtenIn(field)).toBe(was);
    await expect.poll(text).toBe(was);
  });
  test('a cell of all languages that is opened is typed into', async () => {
    await resetDraft();
    const page = await open('/wording?offer=free-delivery&view=languages');
    await page
      .getByRole('button', { name: /, edit reached, nl-NL/i })
      .first()
      .click();
    await expect.poll(() => page.evaluate(() => document.activeElement?.hasAttribute('data-typing'))).toBe(true);
  });
  test('who types 23:59 as an end is offered the end of the day', async () => {
    await resetDraft();
    const page = await open('/offers?market=nlbe&offer=free-delivery');
    await setDate(page, page.getByTestId('schedule-until'), '31 December 2027 23:59');
    await page.getByRole('button', { name: 'to the end of 31 December 2027' }).click();
    await expect.poll(async () => (await draft()).offers['free-delivery']!.schedule?.until).toBe('2028-01-01T00:00');
    await expect.poll(() => page.getByTestId('offer-paragraph').innerText()).toContain('the end of 31 December 2027');
  });
  test('hours and weights are typed as people write them', async () => {
    await resetDraft();
    const page = await open('/delivery?market=nlbe&zone=nlbe-all');
    const hours = page.getByTestId('hours-shop-1');
    await hours.fill('10-18');
    await hours.press('Enter');
    await expect.poll(async () => (await draft()).places!.shop!.hours!['1']).toEqual([{ from: '10:00', to: '18:00' }]);
    await hours.fill('closed');
    await hours.press('Enter');
    await expect.poll(async () => (await draft()).places!.shop!.hours!['1']).toBeUndefined();
    await moveTo(page, `${here.address}/delivery?market=nlbe&zone=nlbe-islands&option=nlbe-islands-ferry`);
    await page.getByTestId('from-2').fill('2.5 kg');
    await page.getByTestId('from-2').press('Enter');
    await expect
      .poll(async () =>
        Object.values((await draft()).options['nlbe-islands-ferry']!.charge.lines).map(({ over }) => over?.from),
      )
      .toContain(2500);
  });
});

test('a text that says free where the offer does not is pointed out at Offers and Release, and languages without a text are named', async () => {
  await resetDraft();
  const page = await open('/offers?market=nlbe&offer=free-delivery');
  await page.locator('[data-testid^=reward-]').first().selectOption('deliveryLessPercent');
  await expect
    .poll(() => textOf(page, '[data-testid=text-warnings]'))
    .toContain('says that something is free, but the offer gives a share off the delivery');
  await moveTo(page, `${here.address}/release`);
  await expect.poll(() => textOf(page, '[data-testid=findings]')).toContain('says that something is free');
  await expect.poll(() => textOf(page, '[data-testid=findings]')).toContain('“Free delivery” has no text in fr-BE');
});
