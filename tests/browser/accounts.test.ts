import type { Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import type { Role } from '../../src/core/people/roles.ts';
import { violations } from '../support/accessibility.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { moveTo, ready, saved, useBrowser, type OpenOptions } from '../support/browser.ts';
import { here } from '../support/here.ts';
import { firstLinkOf, inviteBy, joinBy, password } from '../support/people.ts';

const { open } = useBrowser();
let application: Application;
let address: string;
/** the session of whoever owns the store */
let own: string;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), `summant_accounts_${process.env.VITEST_POOL_ID}`);
  application = await startApplication({ DATABASE_URL: url });
  address = application.address;
});
afterAll(async () => {
  await application.stop();
});

const at = (path: string, options: OpenOptions = {}) => open(path, { address, ...options });

async function signIn(page: Page, as: string, with_ = password): Promise<void> {
  await page.getByTestId('sign-in-as').fill(as);
  await page.getByTestId('password').fill(with_);
  await page.getByTestId('sign-in-now').click();
}

/** Somebody with that role, signed in, at a page. */
async function asWho(role: Role, path: string, options: OpenOptions = {}): Promise<Page> {
  const name = `${role}-${Math.random().toString(36).slice(2)}`;
  await joinBy(address, await inviteBy(address, own, role, name), `${name}@example.com`, name);
  const page = await at(`/sign-in?next=${encodeURIComponent(path)}`, options);
  await signIn(page, `${name}@example.com`);
  await page.waitForURL(`${address}${path}`);
  await ready(page);
  return page;
}

test('the first account is made by the link that the start prints, and from then on everyone signs in', async () => {
  const before = await at('/sign-in');
  expect(await before.locator('main').innerText()).toContain('Nobody signs in here yet');
  const page = await at(await firstLinkOf(application.said), { allow: /422/ });
  await page.getByTestId('name').fill('Ida Hansen');
  await page.getByTestId('sign-in-as').fill('ida@example.com');
  await page.getByTestId('password').fill('Sunshine2026!');
  await page.getByTestId('join-now').click();
  await page.getByText('tried first').waitFor();
  await page.getByTestId('password').fill(password);
  await page.getByTestId('join-now').click();
  await page.getByTestId('codes').waitFor();
  expect(await violations(page)).toEqual([]);
  await page.getByTestId('go-on').click();
  await page.getByTestId('person-menu').waitFor();
  expect(await page.getByTestId('person-menu').innerText()).toBe('IH');
  const cookies = await page.context().cookies();
  const session = cookies.find(({ name }) => name === '__Host-summant-session')!;
  expect([session.httpOnly, session.secure, session.sameSite]).toEqual([true, true, 'Lax']);
  own = `${session.name}=${session.value}`;
  const other = await at('/orders?market=uk', { allow: /401/ });
  expect(new URL(other.url()).pathname).toBe('/sign-in');
  await signIn(other, 'ida@example.com', 'not this one');
  await other.getByRole('alert').getByText('That did not fit').waitFor();
  await signIn(other, 'IDA@example.com');
  await other.waitForURL(`${address}/orders?market=uk`);
});

describe('people', () => {
  test('are invited by a link, and what they may changes and ends', async () => {
    const page = await at('/sign-in');
    await signIn(page, 'ida@example.com');
    await page.waitForURL(`${address}/offers`);
    await page.getByTestId('person-menu').click();
    await page.getByRole('link', { name: 'People' }).click();
    await ready(page);
    await page.getByTestId('invited-name').fill('Tove Lund');
    await page.getByTestId('invited-role').selectOption('look');
    await page.getByTestId('make-invitation').click();
    const link = await page.getByTestId('link-told').locator('code').innerText();
    expect(await violations(page)).toEqual([]);
    const tove = await at(link.slice(address.length));
    await tove.getByText('You may look at everything').waitFor();
    expect(await tove.getByTestId('name').inputValue()).toBe('Tove Lund');
    await tove.getByTestId('sign-in-as').fill('tove@example.com');
    await tove.getByTestId('password').fill(password);
    expect(await violations(tove)).toEqual([]);
    await tove.getByTestId('join-now').click();
    await tove.getByTestId('codes').waitFor();
    await page.reload();
    await ready(page);
    await page.getByLabel('What Tove Lund may').selectOption('release');
    await expect.poll(() => page.getByLabel('What Tove Lund may').inputValue()).toBe('release');
    const row = page.getByRole('row', { name: /Tove Lund/ });
    await row.getByRole('button', { name: 'Take away' }).click();
    await row.getByRole('button', { name: 'Take away the account of Tove Lund' }).click();
    await row.waitFor({ state: 'detached' });
    await tove.goto(`${address}/offers`);
    await tove.waitForURL(/sign-in/);
  });

  test('who may look tries a goal and is told why it is not kept', async () => {
    const page = await asWho('look', '/offers');
    const pennant = page.getByTestId('pennant');
    const was = await pennant.getAttribute('aria-valuenow');
    await pennant.focus();
    await page.keyboard.press('ArrowLeft');
    await page.getByRole('alert').getByText('This takes somebody who may edit. You may look').waitFor();
    await expect.poll(() => pennant.getAttribute('aria-valuenow')).toBe(was);
  });

  test('are limited to markets, and are told where they may not go', async () => {
    const page = await at('/sign-in?next=/people');
    await signIn(page, 'ida@example.com');
    await page.waitForURL(`${address}/people`);
    await ready(page);
    await page.getByTestId('invited-name').fill('Bea Holm');
    await page.getByTestId('invited-role').selectOption('release');
    await page.getByTestId('invited-markets').click();
    await page.getByLabel('all markets, and what concerns all').uncheck();
    await page.getByLabel('United Kingdom', { exact: true }).check();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    expect(await page.getByTestId('invited-markets').innerText()).toBe('in United Kingdom');
    await page.getByTestId('make-invitation').click();
    const link = await page.getByTestId('link-told').locator('code').innerText();
    const invited = await at(link.slice(address.length));
    await invited.getByText(', in some markets.').waitFor();
    await joinBy(address, link.slice(address.length), 'bea@example.com', 'Bea Holm');
    await page.reload();
    await ready(page);
    await page.getByRole('button', { name: /^Markets of Bea Holm/ }).click();
    await page.getByLabel('Denmark', { exact: true }).check();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Markets of Bea Holm: in United Kingdom and Denmark' }).waitFor();
    const bea = await at('/sign-in?next=/offers?market=nlbe');
    await signIn(bea, 'bea@example.com');
    await bea.waitForURL(/offers/);
    await ready(bea);
    const pennant = bea.getByTestId('pennant');
    const was = await pennant.getAttribute('aria-valuenow');
    await pennant.focus();
    await bea.keyboard.press('ArrowLeft');
    await bea.getByRole('alert').getByText('You may change only').waitFor();
    await expect.poll(() => pennant.getAttribute('aria-valuenow')).toBe(was);
    await bea.goto(`${address}/offers?market=uk`);
    await ready(bea);
    const british = await pennant.getAttribute('aria-valuenow');
    await pennant.focus();
    await bea.keyboard.press('ArrowLeft');
    await saved(bea);
    await expect.poll(() => pennant.getAttribute('aria-valuenow')).not.toBe(british);
    await bea.getByTestId('person-menu').click();
    await bea.getByText('in United Kingdom and Denmark').waitFor();
  });

  test('release together where the store says so: one asks, another agrees', async () => {
    const page = await at('/sign-in?next=/people', { allow: /409/ });
    await signIn(page, 'ida@example.com');
    await page.waitForURL(`${address}/people`);
    await ready(page);
    await page.getByTestId('two-people').selectOption('two');
    const rune = await asWho('release', '/offers?market=uk');
    await rune.getByTestId('pennant').focus();
    const kept = rune.waitForResponse((response) => response.request().method() === 'PATCH');
    await rune.keyboard.press('ArrowLeft');
    await kept;
    await moveTo(rune, `${address}/release`);
    await rune.getByTestId('release-note').fill('a little less');
    await rune.getByTestId('release-reason').fill('its gaps are meant');
    await rune.getByRole('button', { name: /^Ask for release/ }).click();
    await rune.getByText('You have asked for release').waitFor();
    expect(await rune.getByTestId('agree').count()).toBe(0);
    await page.goto(`${address}/release`);
    await ready(page);
    await page.getByText('has asked for release').waitFor();
    expect(await violations(page)).toEqual([]);
    await page.getByTestId('agree').click();
    await page.getByText(/^Release \d+ is what the shop uses now\.$/).waitFor();
    expect(await page.getByTestId('asked-release').count()).toBe(0);
    await page.getByText('agreed by Ida Hansen').waitFor();
    await page.goto(`${address}/people`);
    await ready(page);
    await page.getByTestId('two-people').selectOption('one');
    await expect.poll(() => page.getByTestId('two-people').inputValue()).toBe('one');
  });

  test('find in the audit who did what, by kind and person, and save it', async () => {
    const page = await at('/sign-in?next=/audit');
    await signIn(page, 'ida@example.com');
    await page.waitForURL(`${address}/audit`);
    await ready(page);
    const first = page.getByTestId('audit').locator('tbody tr').first();
    expect(await first.innerText()).toMatch(/Ida Hansen\s+Signed in\s+127\.0\.0\.1/);
    expect(await violations(page)).toEqual([]);
    await page.getByTestId('audit-kind').selectOption('people');
    await expect.poll(() => first.innerText()).not.toMatch(/Signed in/);
    await page.getByTestId('audit-person').selectOption('Ida Hansen');
    await expect.poll(() => page.getByTestId('audit').getByText('Invited Tove Lund').count()).toBe(1);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByLabel('Save the audit as CSV').click(),
    ]);
    expect(download.suggestedFilename()).toBe('audit.csv');
    await page.getByTestId('record-days').fill('29');
    await page.getByRole('alert').getByText('Days from 30 to 3650.').waitFor();
    await page.getByTestId('record-days').fill('90');
    const kept = page.waitForResponse((response) => response.url().endsWith('/api/choices'));
    await page.getByTestId('record-days').press('Enter');
    await kept;
    await page.reload();
    await ready(page);
    await expect.poll(() => page.getByTestId('record-days').inputValue()).toBe('90');
  });

  test('who owns the store sees how what runs beside the requests is doing', async () => {
    const page = await at('/sign-in');
    await signIn(page, 'ida@example.com');
    await page.waitForURL(`${address}/offers`);
    await ready(page);
    await page.getByTestId('person-menu').click();
    await page.getByRole('link', { name: 'Health' }).click();
    await page.waitForURL(`${address}/health`);
    await ready(page);
    await expect.poll(() => page.getByTestId('health').innerText()).toMatch(/calls? waits?/);
    expect(await page.getByTestId('health').innerText()).toContain('It uses release');
    expect(await violations(page)).toEqual([]);
  });

  test('who may edit is told at Release and at Connections what somebody else has to do', async () => {
    const page = await asWho('edit', '/release', { allow: /403/ });
    await page.getByText('This takes somebody who may release. You may edit').waitFor();
    expect(await page.getByTestId('release-button').isDisabled()).toBe(true);
    await moveTo(page, `${address}/connections`);
    await page.getByText('This takes somebody who owns the store').waitFor();
    await page.getByTestId('key-name').waitFor();
    expect(await page.getByTestId('key-name').isDisabled()).toBe(true);
    expect(await violations(page)).toEqual([]);
    const response = await page.goto(`${address}/people`).catch(() => null);
    expect(response?.status()).toBe(403);
  });

  test('whose session ends while they edit lose nothing', async () => {
    const page = await asWho('edit', '/offers', { allow: /401/ });
    await saved(page);
    const name = await page.getByTestId('person-menu').getAttribute('aria-label');
    await page.evaluate(() => fetch('/api/sign-out', { method: 'POST' }));
    const pennant = page.getByTestId('pennant');
    await pennant.focus();
    await page.keyboard.press('ArrowLeft');
    await page.getByText('kept here, and sent once you have signed in again').waitFor();
    const wanted = await pennant.getAttribute('aria-valuenow');
    await page.getByRole('link', { name: 'Sign in' }).click();
    await page.waitForURL(/sign-in/);
    await signIn(page, `${name!.split(':')[0]}@example.com`);
    await page.waitForURL(/offers/);
    await ready(page);
    await expect.poll(() => page.getByTestId('pennant').getAttribute('aria-valuenow')).toBe(wanted);
    await saved(page);
    await page.reload();
    await ready(page);
    expect(await page.getByTestId('pennant').getAttribute('aria-valuenow')).toBe(wanted);
  });
});

describe('one’s own account', () => {
  test('takes a new password by keyboard alone, and makes new codes, of which one brings it back', async () => {
    // What a page was still asking for when one signed out is refused.
    const page = await asWho('edit', '/account', { allow: /409|401/ });
    expect(await violations(page)).toEqual([]);
    const name = (await page.getByTestId('person-menu').getAttribute('aria-label'))!.split(':')[0]!;
    await page.getByTestId('password').focus();
    await page.keyboard.type('not this one');
    await page.keyboard.press('Tab');
    await page.keyboard.type('seven gulls above pier');
    await page.keyboard.press('Enter');
    await page.getByRole('alert').getByText('The password of now is another').waitFor();
    await page.getByTestId('password').fill(password);
    await page.getByTestId('next-password').press('Enter');
    await page.getByText('It is set').waitFor();
    await page.getByTestId('password-for-codes').fill('seven gulls above pier');
    await page.getByTestId('password-for-codes').press('Enter');
    const code = await page.locator('#recovery-codes li').first().innerText();
    await page.getByTestId('person-menu').click();
    await page.getByTestId('sign-out').click();
    await page.waitForURL(/sign-in/);
    await ready(page);
    await page.getByRole('button', { name: 'I have forgotten my password' }).click();
    await page.getByTestId('recovery-code').fill(code);
    expect(await violations(page)).toEqual([]);
    await signIn(page, `${name}@example.com`, 'four gulls above pier');
    await page.waitForURL(`${address}/offers`);
  });

  test('without accounts nobody is shown, and the pages say how a team begins', async () => {
    const page = await open('/account');
    await page.getByText('You have none, and need none').waitFor();
    expect(await page.getByTestId('person-menu').count()).toBe(0);
    await moveTo(page, `${here.address}/people`);
    await page.getByText('open the link that Summant prints when it starts').waitFor();
  });
});
