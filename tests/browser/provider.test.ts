import type { Page } from 'playwright-core';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { violations } from '../support/accessibility.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { ready, useBrowser, type OpenOptions } from '../support/browser.ts';
import { firstLinkOf, inviteBy, joinBy, password } from '../support/people.ts';

const { open } = useBrowser();
let application: Application;
let address: string;
/** the session of whoever owns the store */
let own: string;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), `summant_provider_${process.env.VITEST_POOL_ID}`);
  application = await startApplication({ DATABASE_URL: url, SUMMANT_OIDC_ISSUER: 'stand-in' });
  address = application.address;
  own = await joinBy(address, await firstLinkOf(application.said), 'ida@example.com', 'Ida Hansen');
});
afterAll(async () => {
  await application.stop();
});

const at = (path: string, options: OpenOptions = {}) => open(path, { address, ...options });
const choose = async (page: Page, person: string) => {
  await page.waitForURL(/stand-ins\/provider\/authorize/);
  await page.getByRole('link', { name: person }).click();
};

test('whoever is invited joins by the provider, and signs in by it from then on, with the keyboard alone', async () => {
  const page = await at(await inviteBy(address, own, 'edit', 'Maren Holt'));
  await page.getByTestId('sign-in-as').fill('maren@example.com');
  expect(await violations(page)).toEqual([]);
  await page.getByTestId('join-by-provider').press('Enter');
  await page.waitForURL(/stand-ins\/provider\/authorize/);
  expect(await violations(page)).toEqual([]);
  await page.getByRole('link', { name: 'Maren Holt' }).press('Enter');
  await page.getByTestId('codes').waitFor();
  // What came in the address is not left in the history.
  expect(page.url()).toBe(`${address}/sign-in/back`);
  await page.getByTestId('go-on').click();
  await page.getByTestId('person-menu').waitFor();
  await page.goto(`${address}/account`);
  await ready(page);
  await page.getByText('You have none: the stand-in signs you in').waitFor();
  await page.getByTestId('provider').getByText('maren.holt@example.com').waitFor();
  expect(await violations(page)).toEqual([]);
  await page.getByTestId('person-menu').click();
  await page.getByTestId('sign-out').click();
  await page.getByTestId('with-provider').press('Enter');
  await choose(page, 'Maren Holt');
  await page.waitForURL(`${address}/offers`);
  await page.getByTestId('person-menu').waitFor();
});

test('an account with a password is connected, leads in so, and is taken apart again', async () => {
  const page = await at('/sign-in', { allow: /401/ });
  await page.getByTestId('with-provider').click();
  await choose(page, 'Ada Lind');
  await page.getByText('No account here is connected with this').waitFor();
  await page.getByRole('link', { name: 'To signing in' }).click();
  await ready(page);
  await page.getByTestId('sign-in-as').fill('ida@example.com');
  await page.getByTestId('password').fill(password);
  await page.getByTestId('sign-in-now').click();
  await page.waitForURL(`${address}/offers`);
  await page.goto(`${address}/account`);
  await ready(page);
  await page.getByTestId('password-for-provider').fill(password);
  await page.getByTestId('connect').click();
  await choose(page, 'Ada Lind');
  await page.waitForURL(`${address}/account`);
  await page.getByTestId('provider').getByText('ada.lind@example.com').waitFor();
  await page.getByTestId('disconnect').click();
  await page.getByTestId('password-for-provider').waitFor();
});

test('what the simulated provider does wrong is said, with the way on', async () => {
  const owner = await at('/sign-in');
  await owner.getByTestId('sign-in-as').fill('ida@example.com');
  await owner.getByTestId('password').fill(password);
  await owner.getByTestId('sign-in-now').click();
  await owner.waitForURL(`${address}/offers`);
  await owner.goto(`${address}/people`);
  await ready(owner);
  const mode = owner.getByLabel('Simulated provider');
  await mode.selectOption('signature');
  await expect.poll(() => mode.inputValue()).toBe('signature');
  expect(await violations(owner)).toEqual([]);
  const page = await at('/sign-in', { allow: /401/ });
  await page.getByTestId('with-provider').click();
  await choose(page, 'Maren Holt');
  await page.getByText('You were not signed in by the stand-in').waitFor();
  expect(await violations(page)).toEqual([]);
  await mode.selectOption('works');
  await expect.poll(() => mode.inputValue()).toBe('works');
});
