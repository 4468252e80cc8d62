import { chromium, type Browser, type BrowserContextOptions, type Locator, type Page } from 'playwright-core';
import { afterAll, afterEach, beforeAll, expect, inject } from 'vitest';
import { emptyPolicy } from '../../src/core/policy/empty.ts';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { chromiumArguments } from '../../scripts/setup/chromium.mjs';
import { call, patchDraft, readDraft } from './api.ts';
import { here } from './here.ts';

let browser: Browser;

/** As long as anything is waited for, also on a machine that others keep busy. ms */
const mostWaited = 90_000;

/** A busy machine takes its time: what was fetched ahead is used, but later than the browser finds worth a word. */
const late = /was preloaded using link preload but not used within a few seconds/;

export interface OpenOptions extends BrowserContextOptions {
  address?: string;
  /** console errors that the test causes on purpose */
  allow?: RegExp;
}

/**
 * A browser for a test file. Every page that is opened is watched: an error on the console or in a script fails the
 * test that caused it.
 */
export function useBrowser(): {
  open: (path: string, options?: OpenOptions) => Promise<Page>;
  another: (page: Page, path: string) => Promise<Page>;
} {
  const errors: string[] = [];
  const contexts: { close: () => Promise<void> }[] = [];
  beforeAll(async () => {
    browser = await chromium.launch({ executablePath: inject('chromium'), args: chromiumArguments });
  });
  afterAll(() => browser.close());
  afterEach(async () => {
    for (const context of contexts.splice(0)) await context.close();
    expect(errors.splice(0)).toEqual([]);
  });
  const watch = (page: Page, allow: RegExp | undefined) => {
    page.on('console', (message) => {
      if (
        ['error', 'warning'].includes(message.type()) &&
        !message.location().url.endsWith('/favicon.ico') &&
        !late.test(message.text()) &&
        !allow?.test(message.text())
      )
        errors.push(`${message.text()} ${message.location().url}`);
    });
    page.on('response', (response) => {
      const missing = `404: ${response.url()}`;
      if (response.status() === 404 && !/favicon\.ico$/.test(response.url()) && !allow?.test(missing))
        errors.push(missing);
    });
    page.on('pageerror', (error) => errors.push(String(error)));
  };
  return {
    open: async (path, { address = here.address, allow, ...options } = {}) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', ...options });
      contexts.push(context);
      context.setDefaultTimeout(mostWaited);
      const page = await context.newPage();
      watch(page, allow);
      await onlyAlive(page);
      await page.goto(address + path);
      await ready(page);
      return page;
    },
    another: async (beside, path) => {
      const page = await beside.context().newPage();
      watch(page, /412/);
      await onlyAlive(page);
      await page.goto(new URL(path, beside.url()).href);
      await ready(page);
      return page;
    },
  };
}

/**
 * Whatever is clicked or typed into waits until the page is alive, also after a link was followed: on a busy machine
 * what is done before is heard by nobody.
 */
async function onlyAlive(page: Page): Promise<void> {
  // Playwright goes on once this is no longer to be seen, so there is nothing left to do about it.
  await page.addLocatorHandler(page.locator('html:not([data-live=true]):has(astro-island)'), () => Promise.resolve());
}

/** The island has taken over. */
export async function ready(page: Page): Promise<void> {
  await page.waitForFunction(
    () => document.querySelector('astro-island') === null || document.documentElement.dataset.live === 'true',
  );
}

export async function saved(page: Page): Promise<void> {
  await page.getByTestId('draft-phrase').getByText('draft saved').waitFor();
}

/** Goes to another page once what was done on this one has been answered, and waits until it can be used. */
export async function moveTo(page: Page, address: string): Promise<void> {
  await saved(page);
  await page.goto(address);
  await ready(page);
}

/** Puts the demo policy back, whatever a test has done. */
export async function resetDraft(address = here.address): Promise<void> {
  const patch = Object.entries(demoPolicy).map(([key, value]) => ({
    op: 'add' as const,
    path: `/${key}`,
    value: value as unknown,
  }));
  // A page of the test before may still be saving when it is closed.
  let status = 412;
  for (let tries = 0; status === 412 && tries < 20; tries++)
    status = (await patchDraft(address, (await readDraft(address)).revision, patch)).status;
  expect(status).toBe(200);
}

/** Puts the demo policy back and makes it what the shop uses: other files count what has changed since. */
export async function releaseDemo(address = here.address): Promise<void> {
  await resetDraft(address);
  const { revision } = await readDraft(address);
  const { status } = await call(address, 'POST', '/api/releases', {
    headers: { 'if-match': `"draft-${revision}"` },
    body: { note: 'the demo again', reason: 'its gaps are meant' },
  });
  expect(status).toBe(201);
}

/** Leaves a store without anything, whatever a test has done. */
export async function emptyDraft(address: string): Promise<void> {
  const { revision, policy } = await readDraft(address);
  const empty = emptyPolicy() as unknown as Record<string, unknown>;
  const patch = Object.keys(policy).map((key) =>
    key in empty
      ? { op: 'replace' as const, path: `/${key}`, value: empty[key] }
      : { op: 'remove' as const, path: `/${key}` },
  );
  expect((await patchDraft(address, revision, patch)).status).toBe(200);
}

/** Text of an element, with no-break spaces as plain ones. */
export async function textOf(page: Page, selector: string): Promise<string> {
  return ((await page.locator(selector).innerText()) ?? '').replaceAll(/[\u00a0\u202f]/g, ' ');
}

export const leadOf = (page: Page, cart: string): Promise<string> =>
  textOf(page, `[data-testid=bench-${cart}] [data-testid=lead-text]`);

/** The field of what has opened over the page, once typing goes there. */
async function openedField(page: Page): Promise<Locator> {
  const field = page.locator('[popover]:popover-open input').first();
  await field.waitFor();
  await expect.poll(() => field.evaluate((input) => document.activeElement === input)).toBe(true);
  return field;
}

/** Chooses from a list that is searched: opens it, types, and takes what is found first. */
export async function choose(page: Page, trigger: Locator, text: string): Promise<void> {
  await trigger.click();
  await search(page, text);
}

/** Types into a searched list that is open, and takes what is found first. */
export async function search(page: Page, text: string): Promise<void> {
  const field = await openedField(page);
  await field.fill(text);
  await page.locator('[popover]:popover-open [cmdk-item][data-selected=true]').waitFor();
  await field.press('Enter');
}

/** Types a date as the reader writes it into the calendar that a field opens. */
export async function setDate(page: Page, trigger: Locator, text: string): Promise<void> {
  await trigger.click();
  const field = await openedField(page);
  await field.fill(text);
  await field.press('Enter');
  await field.waitFor({ state: 'detached' });
}

/** Drags a row by its handle to where another stands. */
export async function dragOnto(page: Page, handle: Locator, onto: Locator): Promise<void> {
  await handle.scrollIntoViewIfNeeded();
  const [from, to] = [(await handle.boundingBox())!, (await onto.boundingBox())!];
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + 8, to.y + to.height / 2, { steps: 12 });
  // What moves aside has moved by the time it is let go.
  await page
    .getByRole('status')
    .getByText(/would come to/)
    .first()
    .waitFor({ state: 'attached' });
  await page.mouse.move(to.x + 9, to.y + to.height / 2);
  await page.mouse.up();
}

/** What stands in a text field with arguments. */
export const writtenIn = (field: Locator): Promise<string> =>
  field.evaluate((content) =>
    content.querySelector('.cm-placeholder')
      ? ''
      : [...content.querySelectorAll('.cm-line')].map((line) => line.textContent ?? '').join('\n'),
  );
