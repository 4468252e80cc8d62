import { beforeEach, expect, test } from 'vitest';
import { call, readDraft } from '../support/api.ts';
import { resetDraft, textOf, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());

test('a guarantee is begun, broken by an edit of its own amount, shown on the bench, and stops a release until it holds', async () => {
  const page = await open('/release');
  await page.getByTestId('guarantee-businesses').click();
  await expect.poll(() => page.getByTestId('guarantee-row-businesses').getAttribute('data-state')).toBe('holds');
  const row = page.getByTestId('guarantee-row-somewhere-to-choose');
  await expect.poll(() => row.getAttribute('data-state')).toBe('holds');
  await page.getByTestId('guarantee-change-somewhere-to-choose').click();
  await page.getByTestId('guarantee-claim').selectOption('costsAtMost');
  await page.getByTestId('guarantee-at-most').fill('0.50');
  await page.getByTestId('guarantee-at-most').press('Enter');
  await expect.poll(() => row.getAttribute('data-state')).toBe('broken');
  await expect
    .poll(() => row.getByTestId('guarantee-broken').first().innerText())
    .toMatch(/^Not in “Netherlands & Belgium”.*costs €/);
  await expect.poll(() => textOf(page, '[data-testid=bench]')).toContain('does not hold in “Netherlands & Belgium”');
  await expect.poll(() => textOf(page, '[data-testid=verdict]')).toContain('1 of 4 broken');
  // The server looks for itself.
  const { revision } = await readDraft(address);
  const refused = await call<{ detail: string }>(address, 'POST', '/api/releases', {
    body: { note: 'cheaper' },
    headers: { 'if-match': `"draft-${revision}"` },
  });
  expect([refused.status, refused.body.detail]).toEqual([422, expect.stringContaining('does not hold in')]);
  // Undo takes it back, the amount first.
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => page.getByTestId('guarantee-at-most').inputValue()).toBe('15.00');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => row.getAttribute('data-state')).toBe('holds');
});
