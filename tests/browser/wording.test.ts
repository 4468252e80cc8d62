import { readFile } from 'node:fs/promises';
import { beforeEach, describe, expect, test } from 'vitest';
import { readDraft } from '../support/api.ts';
import { leadOf, resetDraft, saved, textOf, useBrowser, writtenIn } from '../support/browser.ts';
import { here } from '../support/here.ts';

const { open } = useBrowser();
const address = here.address;
beforeEach(() => resetDraft());
const textsOf = async (offer = 'free-delivery') => (await readDraft(address)).policy.wording[offer]!;

describe('the storyboard', () => {
  test('a text is edited in place: the scene and the bench follow each keystroke, and it is saved and undone', async () => {
    const page = await open('/wording');
    const text = page.getByTestId('text-progress').getByRole('textbox');
    await text.fill('Nog maar {remaining}!');
    await expect.poll(() => leadOf(page, 'beach-day')).toBe('Nog maar € 13,20!');
    expect(await textOf(page, '[data-testid=storyboard] > li:nth-child(2) .shop-strip')).toMatch(/Nog maar € 15,00!/);
    await saved(page);
    await expect.poll(async () => (await textsOf()).progress!.everyPlace!['nl-NL']).toBe('Nog maar {remaining}!');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => writtenIn(text)).toBe('Nog {remaining} tot gratis bezorging.');
  });

  test('a brace offers what can stand there, by keyboard alone; plurals come with the forms of the language', async () => {
    const page = await open('/wording?offer=two-steps&language=ar-DE');
    const text = page.getByTestId('text-reached').getByRole('textbox');
    await text.focus();
    await text.press('Control+a');
    await page.keyboard.type('{it');
    const offered = page.getByRole('listbox').getByRole('option');
    await expect
      .poll(() => offered.allInnerTexts())
      .toEqual([expect.stringContaining('{items}'), expect.stringContaining('{items plural}')]);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect.poll(() => writtenIn(text)).toContain('plural');
    const value = await writtenIn(text);
    for (const category of ['zero', 'one', 'two', 'few', 'many', 'other']) expect(value).toContain(`${category} {#}`);
    await text.press('Control+a');
    await page.keyboard.type('{go');
    await page.getByRole('listbox').waitFor();
    await page.keyboard.press('Tab');
    await expect.poll(() => writtenIn(text)).toBe('{goal}');
    await page.keyboard.type(' {');
    await page.getByRole('listbox').waitFor();
    await page.keyboard.press('Escape');
    await expect.poll(() => page.getByRole('listbox').count()).toBe(0);
  });

  test('a mistake is said, shown where it is, and shoppers go on reading the last good text', async () => {
    const page = await open('/wording');
    const box = page.getByTestId('text-progress');
    await box.getByRole('textbox').fill('Nog {remainin} te gaan');
    await expect
      .poll(() => box.getByRole('alert').allInnerTexts())
      .toEqual([expect.stringMatching(/^at 5 There is no argument \{remainin\}/)]);
    await expect.poll(() => box.locator('.mistake').innerText()).toBe('{remainin}');
    expect(await box.getByRole('textbox').getAttribute('aria-invalid')).toBe('true');
    expect(await box.innerText()).toMatch(/Shoppers go on reading “Nog \{remaining\} tot gratis bezorging\.”/);
    expect(await leadOf(page, 'beach-day')).toBe('Nog € 13,20 tot gratis bezorging.');
    await saved(page);
    await expect
      .poll(
        async () =>
          (await readDraft(address)).policy.textNotes?.['free-delivery']?.progress?.everyPlace?.['nl-NL']?.unfinished,
      )
      .toBe('Nog {remainin} te gaan');
    expect((await textsOf()).progress!.everyPlace!['nl-NL']).toBe('Nog {remaining} tot gratis bezorging.');
    await box.getByRole('button', { name: 'at 5' }).click();
    await page.keyboard.type('{remaining}');
    await expect.poll(() => writtenIn(box.getByRole('textbox'))).toBe('Nog {remaining} te gaan');
    await expect.poll(async () => (await textsOf()).progress!.everyPlace!['nl-NL']).toBe('Nog {remaining} te gaan');
  });

  test('places inherit until they differ; a language falls back and says to which', async () => {
    const page = await open('/wording?place=checkout');
    expect(await textOf(page, '[data-testid=storyboard] > li:nth-child(2)')).toMatch(/from every place/);
    await page.getByTestId('text-progress').getByRole('textbox').fill('Hier nog {remaining}.');
    await saved(page);
    await expect.poll(async () => (await textsOf()).progress!.checkout).toEqual({ 'nl-NL': 'Hier nog {remaining}.' });
    expect(await textOf(page, '[data-testid=storyboard] > li:nth-child(2)')).not.toMatch(/from every place/);
    await page.getByTestId('text-progress').getByRole('textbox').fill('');
    await expect.poll(async () => (await textsOf()).progress!.checkout).toBeUndefined();
    await page.getByTestId('language-phrase').selectOption('fr-BE');
    expect(await textOf(page, '[data-testid=storyboard] > li:nth-child(2)')).toMatch(/falls back to nl-NL/);
  });

  test('samples try a text: the least and most missing, many pieces, the widest amounts, and the lines it takes', async () => {
    const page = await open('/wording?place=cart');
    await page.getByTestId('text-progress').getByRole('textbox').focus();
    await page.waitForFunction(
      () => document.querySelector('[data-testid=samples] tbody tr td:last-child')?.textContent !== '',
    );
    expect(await textOf(page, '[data-testid=samples]')).toMatch(
      /least missing\s+3 artikelen tot nu toe\. Nog € 0,01.*many pieces\s+99 artikelen.*widest amounts, DKK/s,
    );
    await page
      .getByTestId('text-progress')
      .getByRole('textbox')
      .fill(`${'lang en breed '.repeat(12)}{remaining}`);
    await expect
      .poll(() => textOf(page, '[data-testid=samples]'))
      .toMatch(/\d in the cart, which has room for 4|^((?!room).)*$/s);
  });
});

describe('languages', () => {
  test('side by side: what falls back, what is stale, edited in place and said to be still right', async () => {
    const page = await open('/wording?view=languages');
    expect(await textOf(page, '[data-testid=work-count]')).toMatch(/fr-BE \d+ · .*da-DK \d+/);
    const stale = page.getByTestId('cell-free-delivery/progress/everyPlace/da-DK');
    expect(await stale.innerText()).toMatch(/source has changed from “Only \{remaining\} more for free delivery\.”/);
    await stale.getByRole('button', { name: 'still right' }).click();
    await expect.poll(() => stale.innerText()).not.toMatch(/source has changed/);
    const missing = page.getByTestId('cell-free-delivery/progress/everyPlace/fr-BE');
    expect(await missing.innerText()).toMatch(/falls back to nl-NL/);
    await missing.getByRole('button').click();
    await missing.getByRole('textbox').fill('Encore {remaining} pour la livraison gratuite.');
    await expect
      .poll(async () => (await textsOf()).progress!.everyPlace!['fr-BE'])
      .toBe('Encore {remaining} pour la livraison gratuite.');
    await page.getByTestId('languages-shown').selectOption('ar-DE');
    await page.getByTestId('only-work').check();
    const table = page.getByTestId('language-table');
    expect(await table.locator('thead th').count()).toBe(3);
    await page.getByTestId('only-work').uncheck();
    await table.getByRole('searchbox').fill('member is free');
    await expect
      .poll(() => table.locator('tbody tr').allInnerTexts())
      .toEqual([expect.stringMatching(/^reached\s+Members sooner\s+As a member, your delivery is free\./)]);
  });

  test('out as XLIFF and in again: what would change is shown before, and taken over as one change', async () => {
    const page = await open('/wording?view=languages');
    await page.getByTestId('translators-language').selectOption('fr-BE');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save texts for fr-BE as XLIFF 2.1' }).click(),
    ]);
    const document = await readFile(await download.path(), 'utf8');
    expect(document).toMatch(/<unit id="free-delivery\.progress\.everyPlace"/);
    const translated = document.replace(
      /(<unit id="free-delivery\.reached\.everyPlace"[\s\S]*?<segment) state="initial">(\s*<source[^>]*>[^<]*<\/source>)/,
      '$1 state="translated">$2<target>Votre livraison est gratuite.</target>',
    );
    expect(translated).not.toBe(document);
    await page
      .getByTestId('translation-file')
      .setInputFiles({ name: 'fr.xlf', mimeType: 'application/xliff+xml', buffer: Buffer.from(translated) });
    await page.getByTestId('translation-diff').getByText('It would change 1 text.').waitFor();
    await page.getByTestId('take-translations').click();
    await expect
      .poll(async () => (await textsOf()).reached!.everyPlace!['fr-BE'])
      .toBe('Votre livraison est gratuite.');
    await saved(page);
    await page.getByTestId('translation-file').setInputFiles({
      name: 'broken.xlf',
      mimeType: 'application/xliff+xml',
      buffer: Buffer.from(translated.slice(0, 900)),
    });
    await page
      .getByTestId('translation-diff')
      .getByText(/it is not well-formed XML/)
      .waitFor();
    await page.getByTestId('translation-file').setInputFiles({
      name: 'texts.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        'offer,state,place,fr-BE\r\nfree-delivery,reached,everyPlace,Livraison gratuite.\r\nfree-delivery,progress,everyPlace,Encore {reste}\r\n',
      ),
    });
    await page.getByTestId('translation-diff').getByText('It would change 1 text.').waitFor();
    expect(await page.getByTestId('translation-diff').innerText()).toMatch(
      /line 3, fr-BE: There is no argument \{reste\}/,
    );
  });
});

test('who leads: one offer speaks for each cart, the others wait or are silent for a reason', async () => {
  const page = await open('/wording?view=leads');
  expect(await textOf(page, '[data-testid=leads-member-midweek]')).toMatch(
    /Members sooner\s+Free delivery, Order by four\s+.*has not begun: Windy weekend.*is not for this shopper: .*Trade delivery/s,
  );
});

test('the look: style, colours with their contrast, countdown, closing, and where it is shown', async () => {
  const page = await open('/wording?view=look');
  expect(await textOf(page, '[data-testid=contrasts]')).toMatch(/Text on its ground: 10\.85 to 1, at least 4\.5/);
  expect(await textOf(page, '[data-testid=look] [data-testid=strip-countdown]')).toMatch(/^Eindigt over \d dag/);
  await page.getByTestId('colour-ink').fill('#5f8090');
  await page.getByTestId('colour-ink').press('Enter');
  expect(await textOf(page, '[data-testid=contrasts]')).toMatch(/less than the 4\.5 that WCAG 2\.2 asks for/);
  await page.getByRole('button', { name: /^Make the ink/ }).click();
  await expect.poll(() => textOf(page, '[data-testid=contrasts]')).not.toMatch(/less than/);
  await page.getByTestId('look-style').selectOption('label');
  await page.getByTestId('shows-in-strip').uncheck();
  await saved(page);
  await expect
    .poll(async () => (await readDraft(address)).policy.look)
    .toMatchObject({ style: 'label', silentIn: { strip: true } });
  await expect.poll(() => page.getByTestId('look').locator('.shop-strip').count()).toBe(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => page.getByTestId('look').locator('.shop-strip').count()).toBe(1);
});
