import type { Page } from 'playwright-core';
import { beforeEach, describe, expect, test } from 'vitest';
import { goalOf, readDraft } from '../support/api.ts';
import { leadOf, resetDraft, saved, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open, another } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());

/** Where an order value lies on the page. */
async function placeOf(page: Page, value: number): Promise<{ x: number; y: number }> {
  const line = page.getByTestId('spend-line');
  const box = (await line.boundingBox())!;
  const [end, left, right] = await Promise.all(
    ['end', 'left', 'right'].map(async (name) => Number(await line.getAttribute(`data-${name}`))),
  );
  return { x: box.x + left! + ((right! - left!) * value) / end!, y: box.y + 120 };
}

async function dragGoal(page: Page, from: number, to: number, drop = true): Promise<void> {
  const start = await placeOf(page, from);
  const end = await placeOf(page, to);
  await page.mouse.move(start.x, start.y);
  await page.mouse.down();
  await page.mouse.move(end.x, end.y, { steps: 8 });
  if (drop) await page.mouse.up();
}

const savedGoal = async (market = 'nlbe') => goalOf((await readDraft(address)).policy, market);

describe('the goal', () => {
  test('is dragged by mouse: bench and picture follow at once, nothing is saved until it is dropped, and undo takes it back', async () => {
    const page = await open('/offers');
    expect(await leadOf(page, 'beach-day')).toBe('Nog € 13,20 tot gratis bezorging.');
    await dragGoal(page, 7500, 6000, false);
    expect(await leadOf(page, 'beach-day')).toBe('Uw bezorging is gratis.');
    expect(
      await textOf(page, '[data-testid=bench-beach-day] [data-testid=option-nlbe-door] [data-testid=price-after]'),
    ).toBe('free');
    expect(await textOf(page, '[data-testid=bench-beach-day] [data-testid=difference]')).toMatch(
      /^In release \d+: Parcel to the door €5\.95; Parcel shop €4\.50; reads “Nog € 13,20 tot gratis bezorging\.”$/,
    );
    expect(await page.getByTestId('pennant').getAttribute('aria-valuenow')).toBe('6000');
    expect(await savedGoal()).toBe(7500);
    await page.mouse.up();
    await saved(page);
    expect(await savedGoal()).toBe(6000);
    expect(await textOf(page, '[data-testid=draft-phrase]')).toMatch(/1 change since release \d+/);
    await page.keyboard.press('Control+z');
    await expect.poll(() => leadOf(page, 'beach-day')).toBe('Nog € 13,20 tot gratis bezorging.');
    expect(await savedGoal()).toBe(7500);
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect.poll(() => leadOf(page, 'beach-day')).toBe('Uw bezorging is gratis.');
    expect(await savedGoal()).toBe(6000);
  });

  test('moves freely while Alt is held, and what a goal would bring is drawn when asked for', async () => {
    const page = await open('/offers?market=uk');
    const pennant = page.getByTestId('pennant');
    const box = (await pennant.boundingBox())!;
    const [x, y] = [box.x + box.width - 3, box.y + 150];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.keyboard.down('Alt');
    await page.mouse.move(x - 41, y, { steps: 3 });
    const free = Number(await pennant.getAttribute('aria-valuenow'));
    await page.keyboard.up('Alt');
    await page.mouse.move(x - 42, y);
    const onStep = Number(await pennant.getAttribute('aria-valuenow'));
    await page.mouse.up();
    expect([free % 10 !== 0, onStep % 10]).toEqual([true, 0]);
    await page.getByTestId('toggle-net').click();
    await expect
      .poll(() => page.getByTestId('net-line').getAttribute('aria-label'))
      .toMatch(/^Net of moving “Free delivery” at each amount, (most at £\d|nowhere more than where it is)/);
    expect(page.url()).toContain('net=shown');
    await page.getByTestId('toggle-net').click();
    await page.getByTestId('net-line').waitFor({ state: 'detached' });
  });
  test('is moved by keys: a step, ten steps, the smallest coin', async () => {
    const page = await open('/offers');
    const pennant = page.getByTestId('pennant');
    await pennant.focus();
    const value = async () => Number(await pennant.getAttribute('aria-valuenow'));
    await page.keyboard.press('ArrowLeft');
    await expect.poll(value).toBeLessThan(7500);
    const step = 7500 - (await value());
    await page.keyboard.press('Shift+ArrowLeft');
    await expect.poll(value).toBe(7500 - 11 * step);
    await page.keyboard.press('Alt+ArrowRight');
    await expect.poll(value).toBe(7500 - 11 * step + 1);
    expect(await pennant.getAttribute('aria-valuetext')).toBe(((7501 - 11 * step) / 100).toFixed(2));
    await page.keyboard.press('Tab');
    await saved(page);
    await expect.poll(() => savedGoal()).toBe(7501 - 11 * step);
  });
  test('is taken back by one undo for what was pressed in one go', async () => {
    const page = await open('/offers');
    const pennant = page.getByTestId('pennant');
    await pennant.focus();
    // Within the page, so that the keys follow one another at once however busy the machine is.
    await pennant.evaluate(async (element) => {
      for (let press = 0; press < 3; press++) {
        element.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true }));
        await Promise.resolve();
      }
    });
    await page.keyboard.press('Tab');
    await expect.poll(() => savedGoal()).toBe(7440);
    await page.keyboard.press('Control+z');
    await expect.poll(() => savedGoal()).toBe(7500);
  });

  test('is typed: applied at each keystroke that makes sense, refused with a reason otherwise, Escape brings it back', async () => {
    const page = await open('/offers');
    const field = page.getByTestId('goal-field');
    await field.fill('61.8');
    expect(await leadOf(page, 'beach-day')).toBe('Uw bezorging is gratis.');
    await field.fill('61.801');
    expect(await page.getByRole('alert').innerText()).toBe('EUR has at most 2 decimals.');
    await field.press('Escape');
    expect(await field.inputValue()).toBe('75.00');
    expect(await leadOf(page, 'beach-day')).toBe('Nog € 13,20 tot gratis bezorging.');
    await field.fill('61,81');
    await field.press('Enter');
    await saved(page);
    expect(await savedGoal()).toBe(6181);
    expect(await leadOf(page, 'beach-day')).toBe('Nog € 0,01 tot gratis bezorging.');
  });

  test('is set per market in the grid, and taken out of one by emptying its cell', async () => {
    const page = await open('/offers?market=uk');
    expect(await page.getByTestId('market-phrase').inputValue()).toBe('uk');
    expect(await textOf(page, '[data-testid=read-out]')).toMatch(/At the goal, £70\.00/);
    const cell = page.getByTestId('grid-free-delivery-uk');
    await cell.fill('');
    await cell.press('Enter');
    await saved(page);
    expect(await savedGoal('uk')).toBeUndefined();
    expect(await page.getByTestId('pennant').count()).toBe(0);
    await cell.hover();
    await expect.poll(() => textOf(page, '[data-testid=grid-remark]')).toContain('United Kingdom: not offered here');
    await cell.fill('50.20');
    await cell.press('Enter');
    await saved(page);
    expect(await leadOf(page, 'gift-and-spares')).toBe('Your delivery is free.');
    expect(await savedGoal()).toBe(7500);
  });
});

describe('the spend line', () => {
  test('reads out price, text and shares at the pointer, and by keys', async () => {
    const page = await open('/offers');
    const at = await placeOf(page, 3900);
    await page.mouse.move(at.x, at.y);
    expect(await textOf(page, '[data-testid=read-out]')).toMatch(
      /At €39\.00\s+Parcel to the door\s+€6\.95\s+Parcel shop\s+€4\.50\s+\d+% of orders lie below, \d+% from here up\s+reads “Nog € 36,00 tot gratis bezorging\.”/,
    );
    await page.mouse.move(5, 400);
    await page.getByTestId('spend-cursor').focus();
    await page.keyboard.press('Home');
    expect(await textOf(page, '[data-testid=read-out]')).toMatch(
      /At €0\.00\s.*0% of orders lie below, 100% from here up/s,
    );
    await page.keyboard.press('Escape');
    expect(await textOf(page, '[data-testid=read-out]')).toMatch(/At the goal, €75\.00/);
  });

  test('shares below, within reach and above add up', async () => {
    const page = await open('/offers');
    const shares = [...(await page.getByTestId('shares').textContent())!.matchAll(/(\d+)%/g)].map((match) =>
      Number(match[1]),
    );
    expect(shares).toHaveLength(3);
    expect(Math.abs(shares.reduce((a, b) => a + b, 0) - 100)).toBeLessThanOrEqual(1);
  });

  test('changes with the market, and Back goes back', async () => {
    const page = await open('/offers');
    await page.getByTestId('market-phrase').selectOption('uk');
    await expect.poll(() => textOf(page, '[data-testid=read-out]')).toMatch(/£70\.00/);
    expect(page.url()).toMatch(/market=uk/);
    await page.goBack();
    await expect.poll(() => textOf(page, '[data-testid=read-out]')).toMatch(/€75\.00/);
  });
});

describe('two tabs at once', () => {
  test('edits in different places: both are kept, and each tab gets the other’s', async () => {
    const one = await open('/offers', { allow: /412/ });
    const two = await another(one, '/offers?market=uk');
    await one.getByTestId('grid-free-delivery-nlbe').fill('61');
    await two.getByTestId('grid-free-delivery-uk').fill('62');
    await Promise.all([
      one.getByTestId('grid-free-delivery-nlbe').press('Enter'),
      two.getByTestId('grid-free-delivery-uk').press('Enter'),
    ]);
    await Promise.all([saved(one), saved(two)]);
    await expect.poll(() => two.getByTestId('grid-free-delivery-nlbe').inputValue()).toBe('61.00');
    await expect.poll(() => one.getByTestId('grid-free-delivery-uk').inputValue()).toBe('62.00');
    expect([await savedGoal('nlbe'), await savedGoal('uk')]).toEqual([6100, 6200]);
  });

  test('edits in one place: the later one is asked, and nothing is lost either way', async () => {
    const one = await open('/offers');
    const elsewhere = await open('/offers', { allow: /412/ });
    await elsewhere.route('**/api/draft', async (route) =>
      route.request().method() === 'GET' ? route.abort() : route.continue(),
    );
    await one.getByTestId('goal-field').fill('64');
    await one.getByTestId('goal-field').press('Enter');
    await saved(one);
    await elsewhere.getByTestId('goal-field').fill('66');
    await elsewhere.getByTestId('goal-field').press('Enter');
    const asked = elsewhere.getByRole('alert');
    await asked.getByText('is €64.00 there; you set it to €66.00').waitFor();
    expect(await savedGoal()).toBe(6400);
    expect(await elsewhere.getByTestId('goal-field').inputValue()).toBe('64.00');
    await asked.getByRole('button', { name: 'Keep mine' }).click();
    await saved(elsewhere);
    await expect.poll(() => savedGoal()).toBe(6600);
  });

  test('while the server is away edits are kept and sent when it is back', async () => {
    const page = await open('/offers', { allow: /ERR_INTERNET_DISCONNECTED|Failed to load/ });
    await page.context().setOffline(true);
    await page.getByTestId('goal-field').fill('67');
    await page.getByTestId('goal-field').press('Enter');
    await page.getByText('not saved yet, trying again').waitFor();
    expect(await savedGoal()).toBe(7500);
    await page.context().setOffline(false);
    await saved(page);
    expect(await savedGoal()).toBe(6700);
  });
});
