import { beforeEach, describe, expect, test } from 'vitest';
import { pricesOfOptions } from '../../src/core/options/option-prices.ts';
import { rateSheet, rateSheetColumns } from '../../src/core/options/rate-sheet.ts';
import { readDraft } from '../support/api.ts';
import { resetDraft, saved, useBrowser } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
beforeEach(() => resetDraft());
const policy = async () => (await readDraft(here.address)).policy;

describe('the options of all markets in one table', () => {
  test('the dearer ones are moved by a step: seen before, one edit, and undo takes it back', async () => {
    const before = await policy();
    const dear = pricesOfOptions(before).filter(({ highestInBase }) => highestInBase !== null && highestInBase > 1500);
    expect(dear.length).toBeGreaterThan(0);
    const page = await open('/delivery');
    await page.getByTestId('every-option').click();
    await page.getByTestId('dearer-than').fill('15');
    await expect
      .poll(() => page.getByTestId('every-option-count').innerText())
      .toBe(`${dear.length} of ${Object.keys(before.options).length} options`);
    await page.getByTestId('move-by').fill('+ 0.50');
    await page.getByTestId('move-rounding').selectOption('95');
    await page.getByTestId('look-at-move').click();
    await expect.poll(() => page.getByTestId('every-option-plan').innerText()).toContain('becomes');
    // Nothing is changed by looking at it.
    expect((await policy()).options).toEqual(before.options);
    await page.getByTestId('take-plan').click();
    await expect.poll(async () => (await policy()).options).not.toEqual(before.options);
    const after = await policy();
    const untouched = Object.keys(before.options).filter((id) => !dear.some((one) => one.id === id));
    for (const id of untouched) expect(after.options[id]).toEqual(before.options[id]);
    await saved(page);
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect.poll(async () => (await policy()).options).toEqual(before.options);
  });

  test('a rate sheet of all zones is read back: what changes is shown, what is wrong is told by line', async () => {
    const before = await policy();
    const { rows } = rateSheet(before, null);
    const page = await open('/delivery');
    await page.getByTestId('every-option').click();
    const csv = [
      rateSheetColumns.join(','),
      ...rows.map((row) => row.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(',')),
    ];
    const broken = csv[1]!.replace(/^"[^"]*"/, '"no-such"');
    await page.getByTestId('every-sheet-file').setInputFiles({
      name: 'rates.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from([...csv, broken].join('\n')),
    });
    const plan = page.getByTestId('every-option-plan');
    await expect.poll(() => plan.innerText()).toContain(`line ${csv.length + 1}`);
    await expect.poll(() => plan.innerText()).toContain('It would change nothing.');
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect.poll(() => plan.count()).toBe(0);
    expect((await policy()).options).toEqual(before.options);
  });
});
