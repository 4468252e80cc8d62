import { afterAll, beforeEach, describe, expect, test } from 'vitest';
import { call, readDraft } from '../support/api.ts';
import { choose, moveTo, releaseDemo, resetDraft, saved, setDate, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());
afterAll(() => releaseDemo());

describe('Rehearse', () => {
  test('strip, cart and checkout are what the shopper would see, and follow the cart', async () => {
    const page = await open('/rehearse?cart=beach-day');
    expect(await textOf(page, '[data-testid=shopper-strip]')).toBe('Nog € 13,20 tot gratis bezorging.');
    expect(await textOf(page, '[data-testid=shopper-cart]')).toMatch(
      /4 artikelen tot nu toe\. Nog € 13,20 en bezorging is gratis vanaf € 75,00\./,
    );
    expect(await textOf(page, '[data-testid=checkout-nlbe-door]')).toMatch(
      /Pakket aan huis\s+€ 5,95\s+(ma|di|wo|do|vr) \d+ [a-z]+( – [a-z]{2} \d+ [a-z]+)?\s*\(chosen at first\)/,
    );
    expect(await textOf(page, '[data-testid=shopper-total]')).toBe('€ 67,75');
    await page.getByRole('button', { name: 'One more of Braided line 50 m, 50 kg' }).click();
    expect(await textOf(page, '[data-testid=shopper-strip]')).toBe('Nog € 1,25 tot gratis bezorging.');
    await choose(page, page.getByRole('button', { name: 'Add a product' }), 'End caps');
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
    const reason = await textOf(page, '[data-testid=reasons]');
    expect(reason).toMatch(/A goods value of £72\.15 falls in the step from £50\.00 up: £6\.95/);
    expect(reason).toMatch(/“Free delivery” is not reached: £50\.20 of at least £70\.00, £19\.80 to go/);
    expect(reason).toMatch(/1 × Gift card 25 at £21\.95 is £21\.95 \(does not count toward goals, needs no delivery\)/);
  });

  test('another destination: another market, or none and why', async () => {
    const page = await open('/rehearse?cart=beach-day');
    await choose(page, page.getByTestId('cart-country'), 'United Kingdom');
    expect(await textOf(page, '[data-testid=shopper-strip]')).toMatch(/^Nog £.*tot gratis bezorging\.$/);
    await choose(page, page.getByTestId('cart-country'), 'Canada');
    expect(await textOf(page, '[data-testid=shopper-checkout]')).toMatch(/No zone covers this destination/);
    await saved(page);
  });

  test('what sets a cart apart is said, with what it comes to', async () => {
    const page = await open('/rehearse?cart=new-york');
    expect(await textOf(page, '[data-testid=shopper-checkout]')).toMatch(
      /Economy\s+\$12\.75\s+\$0\.00\s+\w{3},? .*\(chosen at first\).*Tax\s+\$10\.51\s+Total\s+\$128\.91/s,
    );
    await moveTo(page, `${address}/rehearse?cart=round-too-late`);
    expect(await page.getByTestId('cart-moment').innerText()).toBe('25 November 2026, 20:30');
    expect(await textOf(page, 'main')).toMatch(
      /Not offered: Beach round \(its condition does not hold\).*Strandronde: De strandronde rijdt nu niet\./s,
    );
    await moveTo(page, `${address}/rehearse?cart=luxembourg`);
    expect(await textOf(page, '[data-testid=shopper-checkout]')).toMatch(
      /Daar bezorgen we nog niet\.\s+No zone covers this destination/,
    );
    await moveTo(page, `${address}/rehearse?cart=shop-discounts`);
    expect(await textOf(page, 'main')).toMatch(/Discounts of the shop\s+-€21\.87\s+Goods\s+€115\.58/);
  });

  test('moment, channel and codes are set; one goes from turn to turn of what is offered', async () => {
    const page = await open('/rehearse?cart=beach-day');
    const cart = async () => (await readDraft(address)).policy.testCarts['beach-day']!;
    await page.getByTestId('next-turn').click();
    await expect.poll(async () => (await cart()).at).toMatch(/^20\d\d-/);
    const first = Date.parse((await cart()).at!);
    await page.getByTestId('next-turn').click();
    await expect.poll(async () => Date.parse((await cart()).at!)).toBeGreaterThan(first);
    // Two hours ahead of UTC in the store's summer.
    await setDate(page, page.getByTestId('cart-moment'), '1/7/2026 10:30');
    await expect.poll(async () => (await cart()).at).toBe('2026-07-01T08:30:00.000Z');
    await page.getByTestId('moment-now').click();
    await expect.poll(async () => (await cart()).at).toBeUndefined();
    await page.getByLabel('Code entered').fill('kite5');
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await cart()).codes).toEqual(['KITE5']);
    await page.getByRole('button', { name: 'Remove code KITE5' }).click();
    await expect.poll(async () => (await cart()).codes).toBeUndefined();
    await page.getByTestId('cart-channel').selectOption('app');
    await expect.poll(async () => (await cart()).channel).toBe('app');
  });

  test('a cart is filled to an amount with real products, named, duplicated and deleted', async () => {
    const page = await open('/rehearse?cart=beach-day');
    await page.getByTestId('fill-amount').fill('74.95');
    await page.getByTestId('fill-cart').click();
    await expect.poll(() => textOf(page, '[data-testid=goods-value]')).toMatch(/^€7[45]\.\d\d$/);
    await page.getByTestId('cart-name').fill('Just below');
    await page.getByTestId('cart-name').press('Enter');
    await page.getByTestId('duplicate-cart').click();
    await page.waitForURL('**cart=cart*');
    expect(await page.getByTestId('cart-name').inputValue()).toBe('Just below, copy');
    expect(await textOf(page, '[data-testid=goods-value]')).toMatch(/^€7[45]/);
    await page.getByTestId('delete-cart').click();
    await expect
      .poll(
        async () =>
          Object.values((await readDraft(address)).policy.testCarts).filter(({ name }) => name.startsWith('Just below'))
            .length,
      )
      .toBe(1);
    await page.getByTestId('new-cart').click();
    await page.getByText('The cart is empty.').waitFor();
    await saved(page);
  });

  test('the seams are walked by keys: what is paid and read around each, and whether the promise held', async () => {
    const page = await open('/rehearse?cart=beach-day');
    const seams = page.getByTestId('seams');
    expect(await seams.getByLabel('Seams').getByRole('button').allInnerTexts()).toContain('€75.00');
    await page.getByTestId('seam-7500').click();
    expect(await textOf(page, '[data-testid=seam-table]')).toMatch(
      /just below: €74\.99\s+at it: €75\.00\s+just above: €75\.01\s+Parcel to the door\s+€5\.95\s+free\s+free.*reads\s+Nog € 0,01 tot gratis bezorging\.\s+Uw bezorging is gratis\./s,
    );
    expect(await textOf(page, '[data-testid=seam-promise]')).toMatch(
      /^Just below, €0\.01 more is said to reach the goal of “Free delivery”, and it does\./,
    );
    await page.keyboard.press('n');
    await expect.poll(() => page.getByTestId('seam-7500').getAttribute('aria-pressed')).toBe('false');
    await page.getByTestId('seam-7500').focus();
    await page.getByTestId('seam-7500').press('Enter');
    await page.keyboard.press('ArrowLeft');
    expect(await page.getByTestId('seam-7500').getAttribute('aria-pressed')).toBe('false');
    await page.getByTestId('seam-7500').click();
    await page.getByTestId('fill-to-seam').click();
    await expect.poll(() => textOf(page, '[data-testid=goods-value]')).toMatch(/^€7[45]\.\d\d$/);
    await saved(page);
  });

  test('an unknown product is said to be unknown', async () => {
    const page = await open('/rehearse');
    await page.getByRole('button', { name: 'Add a product' }).click();
    await page.keyboard.type('Submarine');
    await page.getByText('Nothing of that name.').waitFor();
  });
});

test('a text with a mistake is named before it is released', async () => {
  const page = await open('/wording');
  await page.getByTestId('text-reached').getByRole('textbox').fill('{nothing}');
  await expect
    .poll(
      async () =>
        (await readDraft(address)).policy.textNotes?.['free-delivery']?.reached?.everyPlace?.['nl-NL']?.unfinished,
    )
    .toBe('{nothing}');
  await saved(page);
  expect((await readDraft(address)).policy.wording['free-delivery']!.reached!.everyPlace!['nl-NL']).toBe(
    'Uw bezorging is gratis.',
  );
  await page.goto(`${address}/release`);
  const mistake = page
    .getByTestId('findings')
    .getByRole('row', { name: /“Free delivery”, reached, nl-NL: There is no argument {nothing}/ });
  await mistake.waitFor();
  expect(await mistake.innerText()).toMatch(/Shoppers go on reading “Uw bezorging is gratis\.”/);
  await mistake.getByRole('link', { name: 'Wording' }).click();
  await page.getByTestId('text-reached').getByRole('button', { name: 'Give it up' }).click();
  await expect
    .poll(async () => (await readDraft(address)).policy.textNotes?.['free-delivery']?.reached?.everyPlace?.['nl-NL'])
    .toBeUndefined();
});

test('a goal is dragged, released, seen by the shop, and rolled back', async () => {
  const cart = {
    lines: [
      { product: 'tidewing-16', quantity: 1 },
      { product: 'line-50', quantity: 1 },
      { product: 'winder', quantity: 2 },
    ],
    destination: { country: 'NL', postcode: '' },
  };
  const quote = async () =>
    (await call<{ release: number; options: { priceAfter: number }[] }>(address, 'POST', '/api/quote', { body: cart }))
      .body;
  const before = await quote();
  expect(before.options.map(({ priceAfter }) => priceAfter)).toEqual([595, 450]);

  const page = await open('/offers');
  await page.getByTestId('goal-field').fill('60');
  await page.getByTestId('goal-field').press('Enter');
  await saved(page);
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByTestId('changes-edits').click();
  const changes = page.locator('[data-testid=change]:not([data-testid=compare-releases] *)');
  await changes.first().waitFor();
  expect(await changes.allInnerTexts()).toEqual([
    expect.stringMatching(/Offers\s+Goal of “Free delivery” in Netherlands & Belgium\s+€75\.00\s+€60\.00/),
  ]);
  await page.getByTestId('release-note').fill('Sale week');
  await page.getByTestId('release-reason').fill('The gaps of the demo are meant.');
  await page.getByTestId('release-button').click();
  await page.getByText(`Release ${before.release + 1} is what the shop uses now.`).waitFor();
  expect(await quote()).toMatchObject({ release: before.release + 1, options: [{ priceAfter: 0 }, { priceAfter: 0 }] });
  expect(await page.getByTestId('release-button').isDisabled()).toBe(true);

  await page.getByRole('button', { name: `Roll back to ${before.release}` }).click();
  await expect
    .poll(async () => plain(await page.getByTestId('going-back').innerText()))
    .toMatch(/from €60\.00 to below €75\.00[^]*“Parcel to the door” costs €5\.95 instead of nothing/);
  await page.getByRole('button', { name: 'Roll back', exact: true }).click();
  await page.getByText(`Release ${before.release + 2} is what the shop uses now.`).waitFor();
  expect(await quote()).toEqual({ ...before, release: before.release + 2 });
  expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(
    new RegExp(`1 change since release ${before.release + 2}`),
  );
});

test('two releases are compared, and the draft is reset to one in an edit that undo takes back', async () => {
  const page = await open('/offers');
  const settle = async (amount: string) => {
    await page.getByTestId('goal-field').fill(amount);
    await page.getByTestId('goal-field').press('Enter');
    await saved(page);
  };
  const goalOf = async () => JSON.stringify((await readDraft(address)).policy.offers['free-delivery']!.goals);
  const before = await goalOf();
  const releaseIt = async (note: string) => {
    await moveTo(page, `${address}/release`);
    await page.getByTestId('release-note').fill(note);
    await page.getByTestId('release-reason').fill('The gaps of the demo are meant.');
    await page.getByTestId('release-button').click();
    await page.getByText(/Release \d+ is what the shop uses now\./).waitFor();
  };
  await settle('61');
  await releaseIt('sixty-one');
  await moveTo(page, `${address}/offers`);
  await settle('62');
  const latest = await goalOf();
  await releaseIt('sixty-two');

  await page.reload();
  await page.getByTestId('compare-from').waitFor();
  const compared = page.getByTestId('compare-releases');
  await page.getByTestId('compare-show').click();
  await expect.poll(async () => plain(await compared.innerText())).toMatch(/from €61\.00 to below €62\.00/);
  await page.getByTestId('compared-edits').click();
  await expect.poll(async () => plain(await compared.innerText())).toMatch(/€61\.00\s+€62\.00/);
  await page.getByTestId('reset-draft').click();
  await expect.poll(goalOf).not.toBe(latest);
  expect(await goalOf()).not.toBe(before);
  await saved(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(goalOf).toBe(latest);
});

const plain = (text: string) => text.replaceAll(/[\u00a0\u202f]/g, ' ');
