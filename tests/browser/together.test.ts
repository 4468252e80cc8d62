import type { Page } from 'playwright-core';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { violations } from '../support/accessibility.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { moveTo, ready, saved, useBrowser } from '../support/browser.ts';
import { firstLinkOf, inviteBy, joinBy, password } from '../support/people.ts';

const { open } = useBrowser();
let application: Application;
let address: string;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), `summant_together_${process.env.VITEST_POOL_ID}`);
  application = await startApplication({ DATABASE_URL: url });
  address = application.address;
  const own = await joinBy(address, await firstLinkOf(application.said), 'ida@example.com', 'Ida Hansen');
  await joinBy(address, await inviteBy(address, own, 'edit', 'Bea Lund'), 'bea@example.com', 'Bea Lund');
});
afterAll(async () => {
  await application.stop();
});

/** Somebody, signed in at a page of his own browser. */
async function at(who: string, path: string): Promise<Page> {
  const page = await open(`/sign-in?next=${encodeURIComponent(path)}`, { address, allow: /409|ERR_FAILED/ });
  await page.getByTestId('sign-in-as').fill(`${who}@example.com`);
  await page.getByTestId('password').fill(password);
  await page.getByTestId('sign-in-now').click();
  await page.waitForURL(`${address}${path}`);
  await ready(page);
  return page;
}

/** The goal in the United Kingdom, as somebody sees it. */
const goalOf = (page: Page) => page.getByTestId('grid-free-delivery-uk');
async function setGoal(page: Page, text: string): Promise<void> {
  const kept = page.waitForResponse((response) => response.request().method() === 'PATCH');
  await goalOf(page).fill(text);
  await goalOf(page).press('Enter');
  await kept;
  await saved(page);
}

test('what another does appears by itself, and where the other is', async () => {
  const [ida, bea] = [await at('ida', '/offers'), await at('bea', '/offers')];
  await setGoal(bea, '61');
  await expect.poll(() => goalOf(ida).inputValue()).toContain('61');
  await goalOf(bea).focus();
  await ida.getByTestId('others-offers').waitFor();
  await ida.getByTestId('others-at-offer free-delivery').getByText('BL', { exact: true }).waitFor();
  expect(await ida.getByTestId('others-at-offer free-delivery').innerText()).toContain('Bea Lund is editing this');
  // All stops are in sight on a small screen, too, where who is signed in takes room.
  await ida.setViewportSize({ width: 1024, height: 768 });
  const hidden = () => ida.getByLabel('Trail').evaluate((trail) => trail.scrollWidth - trail.clientWidth);
  await expect.poll(hidden).toBe(0);
  expect(await violations(ida)).toEqual([]);
  await moveTo(bea, `${address}/delivery`);
  await ida.getByTestId('others-delivery').waitFor();
  await expect.poll(() => ida.getByTestId('others-offers').count()).toBe(0);
  await bea.getByTestId('person-menu').click();
  await bea.getByTestId('sign-out').click();
  await bea.waitForURL(`${address}/sign-in`);
  // At once, and not when it has been long enough that nothing was heard.
  await expect.poll(() => ida.getByTestId('others-delivery').count(), { timeout: 20_000 }).toBe(0);
  await bea.context().close();
  await ida.context().close();
});

test('who signs out has left the page before the session ends, and is told where that did not come about', async () => {
  const bea = await at('bea', '/delivery');
  const asked: string[] = [];
  await bea.route('**/api/sign-out', (route) => {
    asked.push(new URL(bea.url()).pathname);
    return route.abort();
  });
  await bea.getByTestId('person-menu').click();
  await bea.getByTestId('sign-out').click();
  await bea.getByRole('alert').getByText('Summant does not answer.').waitFor();
  await bea.getByRole('heading', { name: 'You may still be signed in' }).waitFor();
  expect(asked).toEqual(['/sign-out']);
  expect(await violations(bea)).toEqual([]);
  await bea.unroute('**/api/sign-out');
  await bea.getByTestId('sign-out-now').press('Enter');
  await bea.waitForURL(`${address}/sign-in`);
  await bea.context().close();
});

test('an address alone signs nobody out', async () => {
  const bea = await at('bea', '/delivery');
  const ended: string[] = [];
  bea.on('request', (request) => void (request.url().endsWith('/api/sign-out') && ended.push(request.url())));
  await bea.goto(`${address}/sign-out`);
  await ready(bea);
  await bea.getByTestId('sign-out-now').waitFor();
  await bea.getByRole('link', { name: 'Stay signed in' }).press('Enter');
  await bea.getByTestId('person-menu').waitFor();
  expect(ended).toEqual([]);
  await bea.context().close();
});

test('undo takes back one’s own edit, and says when another’s lies on top', async () => {
  const [ida, bea] = [await at('ida', '/offers'), await at('bea', '/offers')];
  await setGoal(ida, '62');
  await expect.poll(() => goalOf(bea).inputValue()).toContain('62');
  await setGoal(bea, '63');
  await expect.poll(() => goalOf(ida).inputValue()).toContain('63');
  await ida.getByRole('button', { name: 'Undo' }).first().click();
  await ida.getByRole('alert').getByText('Something lies on top of it').waitFor();
  await ida.getByRole('alert').getByText('by Bea Lund came after').waitFor();
  await bea.getByRole('button', { name: 'Undo' }).first().click();
  await expect.poll(() => goalOf(ida).inputValue()).toContain('62');
  await ida.getByRole('button', { name: 'Undo' }).first().click();
  await expect.poll(() => goalOf(bea).inputValue()).toContain('61');
  await bea.context().close();
  await ida.context().close();
});

test('a comment to an offer is there for others, until somebody has done it', async () => {
  const [ida, bea] = [await at('ida', '/offers'), await at('bea', '/offers')];
  const mark = (page: Page) => page.getByTestId('comments-offer-free-delivery');
  await mark(bea).click();
  await bea.getByTestId('comment-text').fill('Is this too dear for the islands?');
  await bea.getByTestId('comments').getByRole('button', { name: 'Comment', exact: true }).click();
  await expect.poll(() => mark(ida).innerText()).toBe('1');
  expect(await mark(ida).getAttribute('aria-label')).toContain('1 not done');
  await mark(ida).click();
  await ida.getByText('Is this too dear for the islands?').waitFor();
  expect(await violations(ida)).toEqual([]);
  await ida.getByRole('button', { name: 'Done: Is this too dear for the islands?' }).click();
  await ida.getByTestId('comments').getByText('done by Ida Hansen').waitFor();
  await expect.poll(() => mark(bea).innerText()).toBe('');
  await bea.getByTestId('comments').getByText('done by Ida Hansen').waitFor();
  await moveTo(bea, `${address}/delivery`);
  await bea.locator('[data-testid^="comments-option-"]').first().click();
  await bea.getByTestId('comment-text').waitFor();
  await moveTo(bea, `${address}/release`);
  await bea.locator('[data-testid^="comments-finding-"]').first().click();
  await bea.getByTestId('comment-text').waitFor();
  await bea.context().close();
  await ida.context().close();
});

test('by the keyboard alone: what opens has the focus, though it is loaded late, and gives it back', async () => {
  const [ida, bea] = [await at('ida', '/offers'), await at('bea', '/offers')];
  const focused = () => bea.evaluate(() => document.activeElement?.getAttribute('data-testid'));
  const mark = bea.getByTestId('comments-offer-free-delivery');
  await mark.press('Enter');
  await expect.poll(focused).toBe('comment-text');
  await bea.keyboard.type('Who asked for this?');
  await bea.keyboard.press('Control+Enter');
  await bea.getByTestId('comments').getByText('Who asked for this?').waitFor();
  await bea.keyboard.press('Escape');
  await expect.poll(focused).toBe('comments-offer-free-delivery');
  await expect.poll(() => ida.getByTestId('comments-offer-free-delivery').innerText()).toBe('1');
  await bea.context().close();
  await ida.context().close();
});

test('what another has released is what the page compares with', async () => {
  const ida = await at('ida', '/offers');
  const second = await at('ida', '/release');
  await expect.poll(() => ida.getByTestId('draft-phrase').innerText()).toContain('since release 5');
  await second.getByTestId('release-reason').fill('its gaps are meant');
  await second.getByTestId('release-button').click();
  await expect.poll(() => ida.getByTestId('draft-phrase').innerText()).toContain('since release 6');
  await second.context().close();
  await ida.context().close();
});
