import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type BrowserContext, type Page } from 'playwright-core';
import type { Policy } from '../../src/core/policy/types.ts';
import { freshDatabase, startApplication, startTestDatabase } from '../../tests/support/application.ts';
import { chromiumArguments } from '../setup/chromium.mjs';
import { programFromDebian } from '../setup/debian.mjs';

declare global {
  interface Window {
    editsAt: (testId: string, values: string[]) => Promise<EditTimes[]>;
  }
}

/** ms from typing to the frame in which everything is repainted, and from leaving the field until the server has it */
export interface EditTimes {
  repainted: number;
  saved: number;
}

/** Serves a store of its own, drafted and released, and visits it with one browser profile. */
export async function visiting<T>(
  database: string,
  store: Policy,
  visit: (visitor: BrowserContext, address: string) => Promise<T>,
): Promise<T> {
  const server = await startTestDatabase('bench');
  const application = await startApplication({ DATABASE_URL: await freshDatabase(server.url, database) });
  // One visitor, who has been here before: what the browser may keep, files and compiled scripts, it keeps in a profile of its own.
  const profile = await mkdtemp(join(tmpdir(), 'summant-visitor-'));
  const visitor = await chromium.launchPersistentContext(profile, {
    executablePath: programFromDebian('chromium', ['chromium', 'fonts-liberation']),
    args: chromiumArguments,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
  });
  try {
    await putStore(application.address, store);
    return await visit(visitor, application.address);
  } finally {
    await visitor.close();
    await rm(profile, { recursive: true, force: true });
    await application.stop();
    await server.stop();
  }
}

async function putStore(address: string, { version: _, ...collections }: Policy): Promise<void> {
  const patch = Object.entries(collections).map(([name, value]) => ({
    op: 'add',
    path: `/${name}`,
    value: value as unknown,
  }));
  const draft = await fetch(`${address}/api/draft`);
  const put = await fetch(`${address}/api/draft`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json-patch+json', 'if-match': draft.headers.get('etag')! },
    body: JSON.stringify(patch),
  });
  if (!put.ok) throw new Error(`the store could not be put: ${await put.text()}`);
  const released = await fetch(`${address}/api/releases`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'if-match': put.headers.get('etag')! },
    body: JSON.stringify({ note: 'Measured' }),
  });
  if (!released.ok) throw new Error(`the store could not be released: ${await released.text()}`);
}

/** A page whose view answers. */
export async function livePage(visitor: BrowserContext, address: string): Promise<Page> {
  const page = await visitor.newPage();
  await page.goto(address);
  await page.waitForFunction(() => document.documentElement.dataset.live === 'true');
  return page;
}

/** Types values into a field one after the other; the first is left out of the times. */
export async function editTimes(page: Page, testId: string, values: readonly string[]): Promise<EditTimes[]> {
  await page.evaluate(await readFile(new URL('./big/in-page.js', import.meta.url), 'utf8'));
  return (
    await page.evaluate(([id, list]) => window.editsAt(id as string, list as string[]), [testId, values] as const)
  ).slice(1);
}
