import type { Page } from 'playwright-core';
import { afterAll, describe, expect, test } from 'vitest';
import type { ListedOrder } from '../../src/contract/shapes/placed-order.ts';
import { call, patchDraft, readDraft, setGoal } from '../support/api.ts';
import { violations } from '../support/accessibility.ts';
import { ready, releaseDemo, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open, another } = useBrowser();
const shop = { address: here.shopAddress };
const strip = (page: Page) => page.locator('summant-offer[place=strip] .all').first();
const says = (page: Page, what: RegExp) =>
  expect.poll(async () => (await strip(page).innerText()).replaceAll(/[\u00a0\u202f]/g, ' ')).toMatch(what);
const placed: string[] = [];

async function buy(page: Page, product: string): Promise<void> {
  await page.goto(`${shop.address}/goods/${product}`);
  await page.locator('main button.first').click();
  await page.waitForURL('**/cart');
}

afterAll(async () => {
  if (placed.length > 0) await call(here.address, 'POST', '/api/orders/cancel', { body: { numbers: placed } });
});

describe('the demo shop', () => {
  test('goes from the goods to an order, which Summant then knows', async () => {
    const page = await open('/', shop);
    await says(page, /Nog € 75,00 tot gratis bezorging/);
    expect(await page.locator('.goods li').count()).toBeGreaterThan(20);
    expect(await violations(page)).toEqual([]);
    await buy(page, 'night-heron');
    await says(page, /Nog € 10,05/);
    expect(await violations(page)).toEqual([]);
    await buy(page, 'petrel-stunt');
    await says(page, /Uw bezorging is gratis/);
    await page.getByRole('link', { name: 'Naar de kassa' }).click();
    await page.waitForURL('**/checkout');
    expect(await page.locator('.sums').innerText()).toMatch(/Bezorging\s+gratis/);
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Bestellen' }).click();
    await page.waitForURL('**/thanks/*');
    const number = page.url().split('/').at(-1)!;
    placed.push(number);
    const { body } = await call<{ orders: ListedOrder[] }>(here.address, 'GET', '/api/orders?state=standing');
    expect(body.orders.find((order) => order.number === number)).toMatchObject({
      market: 'nlbe',
      delivery: 0,
      verdict: 'agrees',
      offers: expect.arrayContaining(['free-delivery']) as string[],
    });
    expect((await call(here.address, 'GET', `/api/orders/order?number=${number}`)).status).toBe(200);
  });

  test('follows country, language and shopper', async () => {
    const page = await open('/', shop);
    const here_ = page.locator('header form');
    const go = async (name: string, value: string) => {
      await here_.locator(`[name=${name}]`).selectOption(value);
      await here_.getByRole('button').click();
    };
    await go('country', 'JP');
    await says(page, /12,000|円|¥/);
    await go('country', 'DE');
    await go('language', 'ar-DE');
    await expect.poll(() => page.locator('html').getAttribute('dir')).toBe('rtl');
    await go('shopper', 'member');
    expect(await here_.locator('[name=shopper]').inputValue()).toBe('member');
  });

  test('says what has been released, without being loaded again', async () => {
    await releaseDemo();
    const page = await open('/', shop);
    await says(page, /Nog € 75,00/);
    await page.evaluate(() => Object.assign(window, { stillHere: true }));
    const draft = await readDraft(here.address);
    await patchDraft(here.address, draft.revision, setGoal('nlbe', 8200));
    const { revision } = await readDraft(here.address);
    await call(here.address, 'POST', '/api/releases', {
      headers: { 'if-match': `"draft-${revision}"` },
      body: { note: 'higher', reason: 'to be seen in the shop' },
    });
    await says(page, /Nog € 82,00/);
    expect(await page.evaluate(() => (window as unknown as { stillHere?: boolean }).stillHere)).toBe(true);
    await releaseDemo();
    await says(page, /Nog € 75,00/);
  });

  test('opens a rehearsed cart, and has its own rehearsed', async () => {
    const page = await open('/rehearse?cart=beach-day');
    const href = (await page.getByTestId('open-in-shop').getAttribute('href'))!;
    await page.goto(href);
    await page.waitForURL('**/cart');
    expect(await page.locator('main table tr').count()).toBeGreaterThan(0);
    await says(page, /Nog € 13,20/);
    await page.getByRole('link', { name: 'Rehearse this' }).click();
    await page.waitForURL('**/rehearse?shared=*');
    await ready(page);
    expect(await page.getByTestId('shared-cart').innerText()).toContain('From the shop');
  });

  test('asks again where the price has changed between looking and ordering', async () => {
    await releaseDemo();
    const page = await open('/', { ...shop, allow: /409/ });
    await buy(page, 'tidewing-16');
    await page.goto(`${shop.address}/checkout`);
    await page.locator('input[name=price]').evaluate((field) => ((field as HTMLInputElement).value = '1'));
    await page.getByRole('button', { name: 'Bestellen' }).click();
    await page.getByText('De bezorgkosten zijn veranderd').waitFor();
    expect(page.url()).toContain('/order');
  });
});

test('an order that was charged otherwise is found at Results, with its reason', async () => {
  const cart = {
    lines: [{ product: 'tidewing-16', quantity: 1 }],
    destination: { country: 'NL', postcode: '1799 ZA' },
  };
  const number = `R-${Date.now()}`;
  placed.push(number);
  const order = { number, placedAt: new Date().toISOString(), cart, option: 'nlbe-door', delivery: 100 };
  await call(here.address, 'POST', '/api/orders', { body: { orders: [order] } });
  const page = await open('/results');
  const row = page.getByTestId(`disagreeing-${number}`);
  await row.waitFor();
  expect(await row.innerText()).toMatch(/1\.00[\s\S]*6\.95[\s\S]*less than the rules/);
  await page.getByTestId('results-kind').selectOption('more');
  await expect.poll(() => row.count()).toBe(0);
  expect(page.url()).toContain('kind=more');
  await page.getByTestId('results-kind').selectOption('less');
  await row.getByRole('link', { name: 'See it at Rehearse' }).click();
  await page.waitForURL('**/rehearse?*');
  await ready(page);
  expect(await page.getByTestId('shared-cart').innerText()).toContain(`Order ${number}`);
});

test('keys are made, told once, rotated and revoked at Connections', async () => {
  const page = await open('/connections');
  await page.getByTestId('key-name').fill('Our shop');
  await page.getByTestId('key-kind').selectOption('publishable');
  expect(await page.getByTestId('make-key').isDisabled()).toBe(true);
  const origin = page.getByTestId('new-key').getByLabel('Origin of the pages');
  await origin.fill('https://shop.example.com/a-page');
  await origin.press('Enter');
  await page.getByTestId('make-key').click();
  const told = page.getByTestId('told');
  await told.waitFor();
  const token = await told.locator('code').innerText();
  expect(token).toMatch(/^[a-z2-7]{12}\.[\w-]{43}$/);
  const headers = { authorization: `Bearer ${token}`, origin: 'https://shop.example.com' };
  expect((await call(here.address, 'GET', '/api/current', { headers })).status).toBe(200);
  await told.getByRole('button', { name: 'I have it' }).click();
  await expect.poll(() => told.count()).toBe(0);
  const row = page.getByTestId(`key-${token.split('.')[0]}`);
  expect(await row.innerText()).toContain('https://shop.example.com');
  await row.getByRole('button', { name: 'Rotate' }).click();
  await row.getByRole('button', { name: 'Make it' }).click();
  await told.waitFor();
  await expect.poll(() => row.innerText()).toMatch(/taken until/);
  const next = page.getByTestId(`key-${(await told.locator('code').innerText()).split('.')[0]}`);
  for (const one of [row, next]) {
    await one.getByRole('button', { name: 'Revoke' }).click();
    await one.getByRole('button', { name: /^Revoke Our shop$/ }).click();
    await expect.poll(() => one.innerText()).toMatch(/refused since/);
  }
  expect((await call(here.address, 'GET', '/api/current', { headers })).status).toBe(401);
  const beside = await another(page, '/connections');
  expect(await beside.locator('main').innerText()).not.toContain(token.split('.')[1]);
});
