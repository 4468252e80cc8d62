import { beforeEach, describe, expect, inject, test } from 'vitest';
import { call, readDraft } from '../support/api.ts';
import { resetDraft, saved, textOf, useBrowser } from '../support/browser.ts';

const { open } = useBrowser();
const address = inject('address');
beforeEach(() => resetDraft());

describe('Rehearse', () => {
  test('strip, cart and checkout are what the shopper would see, and follow the cart', async () => {
    const page = await open('/rehearse?cart=beach-day');
    expect(await textOf(page, '[data-testid=shopper-strip]')).toBe('Nog € 13,20 tot gratis bezorging.');
    expect(await textOf(page, '[data-testid=shopper-cart]')).toMatch(/4 artikelen tot nu toe\. Nog € 13,20 en bezorging is gratis vanaf € 75,00\./);
    expect(await textOf(page, '[data-testid=checkout-nlbe-door]')).toMatch(/Pakket aan huis 1–2 working days, chosen at first\s+€ 5,95/);
    expect(await textOf(page, '[data-testid=shopper-total]')).toBe('€ 67,75');
    await page.getByRole('button', { name: 'One more of Braided line 50 m, 50 kg' }).click();
    expect(await textOf(page, '[data-testid=shopper-strip]')).toBe('Nog € 1,25 tot gratis bezorging.');
    await page.getByLabel('Add', { exact: true }).fill('End caps, pack of twelve');
    await page.getByRole('button', { name: 'Add to cart' }).click();
    expect(await textOf(page, '[data-testid=shopper-strip]')).toBe('Uw bezorging is gratis.');
    expect(await textOf(page, '[data-testid=checkout-nlbe-door] [data-testid=price-after]')).toBe('€ 0,00');
    await saved(page);
    expect((await readDraft(address)).policy.testCarts['beach-day']!.lines['end-caps']!.quantity).toBe(1);
    expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(/no change since/);
  });

  test('why opens beside each price and adds up', async () => {
    const page = await open('/rehearse?cart=gift-and-spares');
    await page.getByTestId('shopper-cart').waitFor();
    await page.getByTestId('checkout-uk-tracked').getByRole('button', { name: 'Why: price of Tracked parcel' }).click();
    const reason = await textOf(page, '[data-testid=checkout-uk-tracked]');
    expect(reason).toMatch(/A goods value of £72\.15 falls in the step from £50\.00 up: £6\.95/);
    expect(reason).toMatch(/“Free delivery” is not reached: £50\.20 of at least £70\.00, £19\.80 to go/);
    expect(reason).toMatch(/1 × Gift card 25 at £21\.95 is £21\.95 \(does not count toward goals, needs no delivery\)/);
  });

  test('another destination: another market, or none and why', async () => {
    const page = await open('/rehearse?cart=beach-day');
    await page.getByLabel('Country').selectOption('GB');
    expect(await textOf(page, '[data-testid=shopper-strip]')).toMatch(/^Nog £.*tot gratis bezorging\.$/);
    await page.getByLabel('Country').selectOption('CA');
    expect(await textOf(page, '[data-testid=shopper-checkout]')).toMatch(/No zone covers this destination/);
    await saved(page);
  });

  test('what sets a cart apart is said, with what it comes to', async () => {
    const page = await open('/rehearse?cart=new-york');
    expect(await textOf(page, '[data-testid=shopper-checkout]')).toMatch(/Economy 8–12 working days, chosen at first\s+\$12\.75\s+\$0\.00.*Tax\s+\$10\.51\s+Total\s+\$128\.91/s);
    await page.goto(`${address}/rehearse?cart=round-too-late`);
    expect(await textOf(page, '[data-testid=particulars]')).toBe('on 25 Nov 2026, 20:30 on the store’s clock');
    expect(await textOf(page, 'main')).toMatch(/Strandronde: De strandronde rijdt nu niet\..*Not offered: Beach round \(its condition does not hold\)/s);
    await page.goto(`${address}/rehearse?cart=luxembourg`);
    expect(await textOf(page, '[data-testid=shopper-checkout]')).toMatch(/Daar bezorgen we nog niet\.\s+No zone covers this destination/);
    await page.goto(`${address}/rehearse?cart=shop-discounts`);
    expect(await textOf(page, 'main')).toMatch(/Discounts of the shop\s+-€21\.87\s+Goods\s+€115\.58/);
  });

  test('an unknown product is said to be unknown', async () => {
    const page = await open('/rehearse');
    await page.getByLabel('Add', { exact: true }).fill('Submarine');
    await page.keyboard.press('Enter');
    expect(await page.getByRole('alert').innerText()).toBe('There is no product of that name or SKU.');
  });
});

test('a text with a mistake is named before it is released', async () => {
  const page = await open('/offers');
  await page.getByTestId('text-reached').getByRole('textbox').fill('{nothing}');
  await expect.poll(async () => (await readDraft(address)).policy.wording['free-delivery']!.reached!.everyPlace!['nl-NL']).toBe('{nothing}');
  await saved(page);
  await page.goto(`${address}/release`);
  await page.getByTestId('text-warnings').getByText('“Free delivery”, reached, nl-NL: There is no argument {nothing}.').waitFor();
});

test('a goal is dragged, released, seen by the shop, and rolled back', async () => {
  const cart = { lines: [{ product: 'tidewing-16', quantity: 1 }, { product: 'line-50', quantity: 1 }, { product: 'winder', quantity: 2 }], destination: { country: 'NL', postcode: '' } };
  const quote = async () => (await call<{ release: number; options: { priceAfter: number }[] }>(address, 'POST', '/api/quote', { body: cart })).body;
  const before = await quote();
  expect(before.options.map(({ priceAfter }) => priceAfter)).toEqual([595, 450]);

  const page = await open('/offers');
  await page.getByTestId('goal-field').fill('60');
  await page.getByTestId('goal-field').press('Enter');
  await saved(page);
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  const changes = page.getByTestId('change');
  await changes.first().waitFor();
  expect(await changes.allInnerTexts()).toEqual([expect.stringMatching(/Offers\s+Goal of “Free delivery” in Netherlands & Belgium\s+€75\.00\s+€60\.00/)]);
  await page.getByTestId('release-note').fill('Sale week');
  await page.getByTestId('release-button').click();
  await page.getByText(`Release ${before.release + 1} is what the shop uses now.`).waitFor();
  expect(await quote()).toMatchObject({ release: before.release + 1, options: [{ priceAfter: 0 }, { priceAfter: 0 }] });
  expect(await page.getByTestId('release-button').isDisabled()).toBe(true);

  await page.getByRole('button', { name: `Roll back to ${before.release}` }).click();
  await page.getByRole('button', { name: 'Roll back', exact: true }).click();
  await page.getByText(`Release ${before.release + 2} is what the shop uses now.`).waitFor();
  expect(await quote()).toEqual({ ...before, release: before.release + 2 });
  expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(new RegExp(`1 change since release ${before.release + 2}`));
});
