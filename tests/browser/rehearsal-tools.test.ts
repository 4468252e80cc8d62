import { readFile } from 'node:fs/promises';
import { beforeEach, describe, expect, test } from 'vitest';
import { call, patchDraft, readDraft, setGoal } from '../support/api.ts';
import { choose, moveTo, resetDraft, saved, setDate, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());
const cartOf = async (id: string) => (await readDraft(address)).policy.testCarts[id];

describe('the shop on a table', () => {
  test('draft and release side by side, with what differs marked', async () => {
    await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 6000));
    const page = await open('/rehearse?laid=both');
    expect(await textOf(page, '[data-testid=differences]')).toMatch(/^\d parts differ/);
    expect(await textOf(page, '[data-testid=shop-draft] [data-testid=shopper-total]')).toBe('€ 61,80');
    expect(await textOf(page, '[data-testid=shop-release]')).toMatch(/€ 67,75/);
    expect(await page.getByTestId('shop-draft').locator('[data-differs=true]').count()).toBeGreaterThan(3);
    await page.getByTestId('width-desktop').click();
    await page.getByTestId('laid-release').click();
    expect(await textOf(page, '[data-testid=shopper-total]')).toBe('€ 67,75');
    expect(page.url()).toMatch(/width=desktop.*laid=release|laid=release.*width=desktop/);
  });

  test('why leads to what set it: from a price to the option, from a message to the text', async () => {
    const page = await open('/rehearse?cart=beach-day');
    await page.getByTestId('checkout-nlbe-door').getByRole('button', { name: /^Why/ }).click();
    expect(await page.getByTestId('checkout-nlbe-door').getByRole('link').first().getAttribute('href')).toBe(
      '/delivery?market=nlbe&zone=nlbe-all&option=nlbe-door',
    );
    const message = page.getByTestId('why-message');
    await message.getByRole('button').click();
    // What a popover says is drawn once the browser has told that it is open.
    await expect
      .poll(() => message.innerText())
      .toMatch(
        /“Free delivery” leads, in the state “on the way”: €61\.80 of at least €75\.00 count, €13\.20 to go.*cart: its own text in nl-NL.*“Windy weekend” is silent: it has not begun/s,
      );
    await message.getByRole('link', { name: /cart: its own text/ }).click();
    await page.waitForURL('**/wording?offer=free-delivery&language=nl-NL&place=cart');
  });

  test('where it goes, who buys and what carriers answer are set, and the shop follows', async () => {
    const page = await open('/rehearse?cart=beach-day');
    await page.getByTestId('cart-near').selectOption('shop');
    await page.getByTestId('cart-distance').fill('2');
    await page.getByTestId('cart-distance').press('Enter');
    await expect.poll(() => textOf(page, '[data-testid=shopper-checkout]')).toMatch(/Strandronde/);
    await page.getByTestId('cart-near').selectOption('');
    await page.getByTestId('cart-residential').selectOption('false');
    await expect
      .poll(async () => (await cartOf('beach-day'))!.destination)
      .toEqual({ country: 'NL', postcode: '1799 ZA', residential: false });
    await page.getByTestId('make-up-shopper').click();
    await page.getByTestId('orders-of-cart').fill('0');
    await page.getByTestId('orders-of-cart').press('Enter');
    await expect.poll(async () => (await cartOf('beach-day'))!.shopper).toEqual({ signedIn: false, orderCount: 0 });
    await moveTo(page, `${address}/rehearse?cart=islands-light`);
    await page.getByTestId('carrier-island-air').selectOption('down');
    await expect.poll(async () => (await cartOf('islands-light'))!.quotes).toEqual({ 'island-air': null });
  });
});

describe('tools', () => {
  test('line-up: shoppers, destinations, moments and carts beside one another', async () => {
    const page = await open('/rehearse?tool=line-up');
    const table = page.getByTestId('line-up-table');
    expect(await table.locator('thead th').count()).toBe(6);
    await page.getByTestId('line-up-add').selectOption({ index: 1 });
    expect(await table.locator('thead th').count()).toBe(7);
    await page.getByTestId('line-up-along').selectOption('destinations');
    expect(await textOf(page, '[data-testid=line-up-table]')).toMatch(
      /United Kingdom.*Add £\d+\.\d\d more for free delivery/s,
    );
    await page.getByTestId('line-up-along').selectOption('moments');
    expect(await textOf(page, '[data-testid=line-up-table]')).toMatch(/as it is/);
    await page.getByRole('button', { name: /^One more of Line winder/ }).click();
    await expect.poll(() => textOf(page, '[data-testid=line-up-table]')).toMatch(/€ 8,25/);
  });

  test('sweep: prices and what is read along value, items and weight, by keys', async () => {
    const page = await open('/rehearse?tool=sweep');
    expect(await textOf(page, '[data-testid=sweep-chart]')).toMatch(
      /at €61\.80.*Parcel to the door\s+€5\.95.*reads “Nog € 13,20/s,
    );
    await page.getByRole('slider', { name: 'Where to read it out' }).focus();
    for (let press = 0; press < 14; press++) await page.keyboard.press('PageUp');
    expect(await textOf(page, '[data-testid=sweep-reads]')).toMatch(/gratis\./);
    await page.getByTestId('sweep-axis').selectOption('weight');
    expect(await textOf(page, '[data-testid=sweep-chart]')).toMatch(/at [\d,]+ g/);
  });

  test('what closes the gap is added, and reaches the goal', async () => {
    const page = await open('/rehearse?tool=gap');
    expect(await textOf(page, '[data-testid=close-the-gap]')).toMatch(/€13\.20 to go to the goal of “Free delivery”/);
    await page.getByTestId('close-the-gap').getByRole('button', { name: /^Add/ }).first().click();
    await expect.poll(() => textOf(page, '[data-testid=shopper-strip]')).toBe('Uw bezorging is gratis.');
    await page.getByText('No goal is ahead of this shopper').waitFor();
  });

  test('what is expected is chosen from what is seen; bench and release say when it is not so', async () => {
    const page = await open('/rehearse?cart=first-stunt-kite&tool=expected');
    await page.getByTestId('expect-all').click();
    await saved(page);
    await expect.poll(async () => (await cartOf('first-stunt-kite'))!.expects?.toPay).toBe(8890);
    await patchDraft(address, (await readDraft(address)).revision, setGoal('nlbe', 9900));
    await moveTo(page, `${address}/release`);
    await expect
      .poll(() => textOf(page, '[data-testid=findings]'))
      .toMatch(
        /Test cart “First stunt kite” comes out otherwise than expected\. Parcel to the door: expected free, is €5\.95/,
      );
    expect(await textOf(page, '[data-testid=bench-first-stunt-kite] [data-testid=expected-mark]')).toMatch(
      /not as expected/,
    );
    await page
      .getByRole('row', { name: /First stunt kite/ })
      .getByRole('link', { name: 'Rehearse' })
      .click();
    await page.getByTestId('expect-as-now').click();
    await expect.poll(() => page.getByTestId('misses').count()).toBe(0);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'JSON' }).click(),
    ]);
    const file = await readFile(await download.path(), 'utf8');
    await page.getByTestId('test-cart-file').setInputFiles({
      name: 'carts.json',
      mimeType: 'application/json',
      buffer: Buffer.from(file.replace('"First stunt kite"', '"Renamed"')),
    });
    await page.getByTestId('take-test-carts').click();
    await expect.poll(async () => (await cartOf('first-stunt-kite'))!.name).toBe('Renamed');
    await page
      .getByTestId('test-cart-file')
      .setInputFiles({ name: 'other.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"other"}') });
    await page.getByText('It is not a file of test carts. Nothing was read.').waitFor();
  });

  test('an order already placed: rules of then and now, a price set by hand with its reason', async () => {
    const page = await open('/rehearse?tool=charged');
    await page.getByTestId('placed-charged').fill('4.95');
    await page.getByTestId('placed-charged').press('Enter');
    await page.getByTestId('charged-verdicts').getByText('€1.00 more than charged').first().waitFor();
    await page.getByTestId('placed-exception').fill('a voucher after a late parcel');
    await page.getByTestId('placed-exception').press('Enter');
    await expect
      .poll(() => textOf(page, '[data-testid=charged-verdicts]'))
      .toMatch(/kept as an exception: a voucher after a late parcel/);
    await expect
      .poll(async () => (await cartOf('beach-day'))!.placed)
      .toEqual({ charged: 495, exception: 'a voucher after a late parcel' });
  });

  test('a past order is brought in by its number, with what it was charged', async () => {
    const page = await open('/rehearse?tool=charged');
    await page.getByTestId('past-order-number').fill('GK-100001');
    await page.getByTestId('bring-order').click();
    await expect.poll(() => textOf(page, '[data-testid=cart-sheet]')).toMatch(/Called/);
    await expect.poll(() => page.url()).toMatch(/cart=order/);
    await expect.poll(async () => (await cartOf('order'))?.placed?.charged).toBeGreaterThanOrEqual(0);
    await page.getByText('No release was in force on that day').waitFor();
  });

  test('a link opens the same rehearsal, also after the cart has changed; it can be kept', async () => {
    const page = await open('/rehearse?cart=beach-day');
    await page.getByTestId('share-cart').click();
    const link = await page.getByTestId('share-link').inputValue();
    await page.getByRole('button', { name: 'One less of Line winder' }).click();
    await moveTo(page, link);
    expect(await textOf(page, '[data-testid=shared-cart]')).toMatch(/2 × Line winder/);
    expect(await textOf(page, '[data-testid=shopper-total]')).toBe('€ 67,75');
    await page.getByTestId('keep-shared').click();
    await expect.poll(async () => (await cartOf('shared'))?.lines.winder?.quantity).toBe(2);
    await moveTo(page, `${link.slice(0, -9)}`);
    await page.getByText('The link is cut off').waitFor();
  });

  test('on paper stands one record of the cart with its reasons, and nothing else', async () => {
    const page = await open('/rehearse?cart=beach-day');
    await page.emulateMedia({ media: 'print' });
    const record = page.locator('.printed-record');
    await expect.poll(() => record.isVisible()).toBe(true);
    expect(await page.getByTestId('bench').isVisible()).toBe(false);
    expect(await page.getByTestId('shopper-cart').isVisible()).toBe(false);
    expect(await textOf(page, '.printed-record')).toMatch(
      /Gustmoor Kites: Beach day.*2 × Line winder.*strip across the page: Nog € 13,20.*Parcel to the door: €5\.95/s,
    );
    await page.emulateMedia({ media: null });
    await expect.poll(() => record.count()).toBe(0);
    for (const cart of ['beach-day', 'two-steps-on', 'school-order', 'shop-discounts']) {
      await moveTo(page, `${address}/rehearse?cart=${cart}`);
      expect([cart, (await page.pdf({ format: 'A4' })).toString('latin1').match(/\/Count (\d+)/)?.[1]]).toEqual([
        cart,
        '1',
      ]);
    }
  });
});

test('the quote tells the shop how to draw strip and bar, and until when the offer holds', async () => {
  const body = {
    lines: [{ product: 'tidewing-16', quantity: 1 }],
    destination: { country: 'NL', postcode: '1799 ZA' },
  };
  const quote = await call<{ look: { style: string; position: string }; percent: number; deadline: string | null }>(
    address,
    'POST',
    '/api/quote',
    { body },
  );
  expect(quote.body).toMatchObject({
    look: { style: 'filled', position: 'top', closable: true, countdownWithin: 7 },
    percent: 53,
    deadline: null,
  });
});

test('the moment is set on any clock, and one goes to the change of clocks, a minute before it and at it', async () => {
  const page = await open('/rehearse?cart=beach-day');
  await choose(page, page.getByTestId('cart-clock'), 'New York');
  await setDate(page, page.getByTestId('cart-moment'), '1/7/2026 10:30');
  await expect.poll(async () => (await cartOf('beach-day'))!.at).toBe('2026-07-01T14:30:00.000Z');
  await page.getByTestId('next-clock-change').click();
  await expect.poll(async () => (await cartOf('beach-day'))!.at).toBe('2026-11-01T05:59:00.000Z');
  await page.getByTestId('next-clock-change').click();
  await expect.poll(async () => (await cartOf('beach-day'))!.at).toBe('2026-11-01T06:00:00.000Z');
  expect(await page.getByTestId('cart-moment').innerText()).toBe('1 November 2026, 01:00');
});
