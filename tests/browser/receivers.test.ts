import { beforeAll, expect, test } from 'vitest';
import { resetDraft, textOf, useBrowser } from '../support/browser.ts';

const { open } = useBrowser();
beforeAll(() => resetDraft());

test('a receiver that is down is said at Connections and Release, and told again by hand', async () => {
  const page = await open('/connections');
  const row = page.getByTestId('receiver').filter({ hasText: '/stand-ins/receiver' });
  await row.getByLabel('Simulated receiver').selectOption('is down');
  await expect.poll(() => row.getByLabel('Simulated receiver').inputValue()).toBe('down');
  await row.getByRole('button', { name: /^Tell it now/ }).click();
  await expect
    .poll(() => row.innerText())
    .toMatch(/It has not been told of release \d+: it answered with 503\. Tried once, again /);
  const release = await open('/release');
  await expect
    .poll(() => textOf(release, '[data-testid=untold]'))
    .toMatch(/^\/stand-ins\/receiver: It has not been told of release \d+: it answered with 503\./);
  await row.getByLabel('Simulated receiver').selectOption('works');
  await expect.poll(() => row.getByLabel('Simulated receiver').inputValue()).toBe('works');
  await row.getByRole('button', { name: /^Tell it now/ }).click();
  await expect.poll(() => row.innerText()).toMatch(/It was told of release \d+, /);
  await row.getByRole('button', { name: 'Show its calls' }).click();
  const log = row.getByTestId('call-log');
  await expect.poll(() => log.innerText()).toMatch(/503/);
  expect(await log.innerText()).toMatch(/Understood: release \d+\. Prices kept so far are forgotten\./);
  const after = await open('/release');
  await expect.poll(() => after.getByTestId('verdict').isVisible()).toBe(true);
  await expect.poll(() => after.getByTestId('untold').count()).toBe(0);
});

test('a receiver is added with a secret told once, called for a test, and removed', async () => {
  const page = await open('/connections', { allow: /422/ });
  const address = page.getByLabel('Address of a receiver');
  await address.fill('http://shop.example.com/released');
  await address.press('Enter');
  await expect.poll(() => textOf(page, '[role=alert]')).toContain('Nobody is called there.');
  // Nothing listens at the port that is kept for throwing away.
  await address.fill('http://127.0.0.1:9/released');
  await address.press('Enter');
  const row = page.getByTestId('receiver').filter({ hasText: '127.0.0.1:9' });
  await expect.poll(() => row.count()).toBe(1);
  await expect.poll(() => page.getByTestId('told').innerText()).toMatch(/[0-9a-f]{64}/);
  await page.getByRole('button', { name: 'I have it' }).click();
  await row.getByRole('button', { name: /^Call it for a test/ }).click();
  await expect
    .poll(() => row.getByTestId('call-log').innerText())
    .toMatch(/test, release \d+.*it could not be reached/s);
  await row.getByRole('button', { name: /^Remove/ }).click();
  await expect.poll(() => row.count()).toBe(0);
});
